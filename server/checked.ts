/** What comes in from outside, checked against a schema before anything else sees it. */
import Joi, { type ObjectSchema } from 'joi';
import { isLanguageTag } from '../core/text/language.ts';
import { Problem } from './problem.ts';

/** The value as the schema wants it. @throws {Problem} naming every fault */
export function checked<T>(schema: ObjectSchema<T>, value: unknown): T {
  const result = schema.validate(value ?? {}, { abortEarly: false, convert: true });
  if (result.error) {
    const faults = result.error.details.map((d) => d.message);
    throw new Problem(
      400,
      'not-understood',
      `What was sent was not understood, and nothing was changed: ${faults.join('; ')}.`,
      faults,
    );
  }
  return result.value;
}

/** A language as BCP 47 has it, one that the platform knows how to read. */
export const languageTag = Joi.string()
  .max(35)
  .custom((value: string) => {
    if (!isLanguageTag(value)) throw new Error('is not a language tag such as en or en-GB');
    return value;
  });
