/** A language of which only the numbers are known: figures are said, signs by the few names all of them share. */
import type { SpokenLanguage } from './spoken-language.ts';

type InWords = (n: bigint) => string;

/** @param words for the decimal point, minus, between the numbers of a range, and per cent */
export function numbersOnly(
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
