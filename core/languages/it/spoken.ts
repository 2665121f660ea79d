import { toCardinal, toOrdinal } from 'n2words/it-IT';
import { numbersOnly } from '../data/numbers-only.ts';

export const italian = numbersOnly(toCardinal, toOrdinal, ['virgola', 'meno', 'a', 'per cento']);
