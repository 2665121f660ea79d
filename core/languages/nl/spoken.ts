import { toCardinal, toOrdinal } from 'n2words/nl-NL';
import { numbersOnly } from '../data/numbers-only.ts';

export const dutch = numbersOnly(toCardinal, toOrdinal, ['komma', 'min', 'tot', 'procent']);
