/** What was asked for, by a hash: asking again for the same is answered as the first time. */
import { createHash } from 'node:crypto';

/** @param value JSON as it was checked */
export const hashOf = (value: unknown): string => createHash('sha256').update(JSON.stringify(value)).digest('hex');
