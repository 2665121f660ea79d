import { toCardinal, toOrdinal } from 'n2words/de-DE';
import { numbersOnly } from '../data/numbers-only.ts';

export const german = numbersOnly(toCardinal, toOrdinal, ['komma', 'minus', 'bis', 'prozent']);
