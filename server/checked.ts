/** What comes in from outside, checked against a schema before anything else sees it. */
import type { ObjectSchema } from 'joi';
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
