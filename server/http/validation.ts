/** What comes in from outside, checked against the schemas of its route before anything else sees it. */
import type { FastifyInstance } from 'fastify';
import Joi, {
  type AnySchema,
  type ArraySchema,
  type BooleanSchema,
  type NumberSchema,
  type ObjectSchema,
  type StringSchema,
} from 'joi';
import { ApiError } from '../../core/contract/api-error.ts';
import type { OfSound } from '../../core/contract/recordings.ts';
import { most, mostCharacters } from '../../core/contract/limits.ts';
import { isLanguageTag } from '../../core/text/language.ts';

type Nullable<T> = T | null | undefined;

/** The kind of schema a value needs. */
type SchemaFor<V> = unknown extends V
  ? AnySchema
  : [V] extends [Nullable<string>]
    ? StringSchema
    : [V] extends [Nullable<number>]
      ? NumberSchema
      : [V] extends [Nullable<boolean>]
        ? BooleanSchema
        : [V] extends [Nullable<readonly unknown[]>]
          ? ArraySchema
          : ObjectSchema | AnySchema;

/** A schema of an object with these fields, each with a schema of its kind, none forgotten. */
export const objectOf = <T extends object>(fields: {
  readonly [K in keyof Required<T>]: SchemaFor<T[K]>;
}): ObjectSchema<T> => Joi.object<T>(fields);

/** Makes the schemas that stand in the options of routes into what Fastify calls, once for each route. */
export function validateByJoi(app: FastifyInstance): void {
  app.setValidatorCompiler<AnySchema>(({ schema }) => (value: unknown) => {
    const result = schema.validate(value ?? {}, { abortEarly: false, convert: true });
    if (!result.error) return { value: result.value as unknown };
    // A sentence of core’s own has its full stop; several stand in one here.
    const faults = result.error.details.map((d) => d.message.replace(/\.$/, ''));
    return {
      error: new ApiError(
        'not-understood',
        `What was sent was not understood, and nothing was changed: ${faults.join('; ')}.`,
        faults,
      ),
    };
  });
}

/** Text that a check of core's looks at, with space around it taken away; its own sentence reaches people. */
export const checkedText = (faultOf: (text: string) => string | null): StringSchema =>
  Joi.string()
    .trim()
    .custom((value: string, { message }) => {
      const fault = faultOf(value);
      return fault === null ? value : message({ custom: fault });
    })
    // An empty text never gets as far as that.
    .messages({ 'string.empty': faultOf('') ?? '' });

export const id = Joi.string().max(mostCharacters.id);
/** The SHA-256 of a recording's bytes. */
export const hash = Joi.string().hex().length(64);
/** Names the one thing a path is about. */
export const byId = objectOf<{ readonly id: string }>({ id: id.required() });
export const byHash = objectOf<{ readonly hash: string }>({ hash: hash.required() });

/** Which of the sound tracks of a recording, from 0. */
export const soundTrackNumber = Joi.number()
  .integer()
  .min(0)
  .max(most.soundTracks - 1);
export const ofSound = objectOf<OfSound>({ track: soundTrackNumber });

/** A language as BCP 47 has it, one that the platform knows how to read. */
export const languageTag = Joi.string()
  .max(mostCharacters.languageTag)
  .custom((value: string, { message }) =>
    isLanguageTag(value) ? value : message({ custom: '{{#label}} is not a language tag such as en or en-GB' }),
  );
