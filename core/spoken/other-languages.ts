/** Languages of which only the numbers are known: figures are said, signs by the few names all of them share. */
import { toCardinal as german, toOrdinal as germanOrdinal } from 'n2words/de-DE';
import { toCardinal as spanish, toOrdinal as spanishOrdinal } from 'n2words/es-ES';
import { toCardinal as italian, toOrdinal as italianOrdinal } from 'n2words/it-IT';
import { toCardinal as dutch, toOrdinal as dutchOrdinal } from 'n2words/nl-NL';
import { toCardinal as portuguese, toOrdinal as portugueseOrdinal } from 'n2words/pt-PT';
import type { SpokenLanguage } from './spoken-language.ts';

type InWords = (n: bigint) => string;

function numbersOnly(
  cardinal: InWords,
  ordinal: InWords,
  words: readonly [string, string, string, string],
): SpokenLanguage {
  const [point, minus, to, percent] = words;
  return {
    cardinal: (digits) => cardinal(BigInt(digits)),
    ordinal: (digits) => ordinal(BigInt(digits)),
    years: () => [],
    letter: (letter) => letter,
    ordinalEnding: /^[ºª°]$/,
    point,
    decimal: ',',
    minus,
    to,
    signs: { '%': percent },
    money: {
      '€': ['euro', 'euro'],
      $: ['dollar', 'dollar'],
    },
    units: { '%': [percent, percent] },
    abbreviations: {},
    time: (hour, minute) => [`${cardinal(BigInt(hour))} ${minute === '00' ? '' : cardinal(BigInt(minute))}`.trim()],
    address: {},
  };
}

export const spokenSpanish = numbersOnly(spanish, spanishOrdinal, ['coma', 'menos', 'a', 'por ciento']);
export const spokenGerman = numbersOnly(german, germanOrdinal, ['komma', 'minus', 'bis', 'prozent']);
export const spokenItalian = numbersOnly(italian, italianOrdinal, ['virgola', 'meno', 'a', 'per cento']);
export const spokenDutch = numbersOnly(dutch, dutchOrdinal, ['komma', 'min', 'tot', 'procent']);
export const spokenPortuguese = numbersOnly(portuguese, portugueseOrdinal, ['vírgula', 'menos', 'a', 'por cento']);
