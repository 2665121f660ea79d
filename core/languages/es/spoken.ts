import { toCardinal, toOrdinal } from 'n2words/es-ES';
import { numbersOnly } from '../data/numbers-only.ts';

export const spanish = numbersOnly(toCardinal, toOrdinal, ['coma', 'menos', 'a', 'por ciento']);
