import { toCardinal, toOrdinal } from 'n2words/pt-PT';
import { numbersOnly } from '../data/numbers-only.ts';

export const portuguese = numbersOnly(toCardinal, toOrdinal, ['vírgula', 'menos', 'a', 'por cento']);
