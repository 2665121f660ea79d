/**
 * Text said as words: figures, times, money, units, what is written short, letters and addresses. What can be said in
 * more than one way has more than one reading; the sound decides.
 */
import { pushAll } from '../../text/push-all.ts';
import { soundNotes } from '../../text/sound-notes.ts';
import { labelsIn } from '../../text/labels.ts';
import type { Caption } from '../../model/caption.ts';
import type { Reading, SpokenLanguage } from '../../languages/data/spoken-language.ts';
import { spokenLanguage } from '../../languages/spoken.ts';
import { own } from '../../text/own.ts';

/** A word as it is written, with the ways it can be said. */
export interface SpokenForms {
  /** Offsets into the text of its caption. */
  readonly from: number;
  readonly to: number;
  /** At least one; words in lower case, with a plain apostrophe. */
  readonly readings: readonly Reading[];
}

/** No more readings than this of one word: each makes the search wider. */
const mostReadings = 6;
/** Numbers of more digits are said digit by digit. */
const longest = 15;

const wordsOf = (text: string): Reading =>
  text
    .toLowerCase()
    .replace(/[-‐‑–]/g, ' ')
    .split(/\s+/)
    .filter(Boolean);
const digitsOf = (language: SpokenLanguage, digits: string): string =>
  Array.from(digits, (d) => language.cardinal(d)).join(' ');

/** Ways of saying a whole number without signs inside. */
function whole(language: SpokenLanguage, digits: string): string[] {
  if (digits.length > longest) return [digitsOf(language, digits)];
  const plain = language.cardinal(digits);
  const ways = /^(?:1[1-9]|20)\d\d$/.test(digits) ? [...language.years(digits), plain] : [plain];
  // Without an “and” it is said as often as with it.
  pushAll(
    ways,
    ways.filter((w) => w.includes(' and ')).map((w) => w.replaceAll(' and ', ' ')),
  );
  if (digits.startsWith('0') && digits.length > 1) return [digitsOf(language, digits), plain];
  if (digits.length === 3) ways.push(`${language.cardinal(digits[0] ?? '')} ${language.cardinal(digits.slice(1))}`);
  if (digits.length >= 3) ways.push(digitsOf(language, digits));
  if (digits.length === 4) ways.push(`${language.cardinal(digits.slice(0, 2))} ${language.cardinal(digits.slice(2))}`);
  return ways;
}

/** A number as it is written: digits, with signs that part thousands and a rest. */
const number = String.raw`\d{1,3}(?:[,.\u00a0\u202f'’]\d{3})+(?:[.,]\d+)?|\d+(?:[.,]\d+)?`;

/** Ways of saying a number as it is written. */
function numberWays(language: SpokenLanguage, written: string): string[] {
  const parted = /^\d{1,3}([,.\u00a0\u202f'’])\d{3}(?:\1\d{3})*(?:[.,]\d+)?$/u.exec(written);
  // 1.250 is a thousand and more where a comma parts the rest.
  const separator = parted && parted[1] !== language.decimal ? parted[1] : undefined;
  const plain = separator === undefined ? written : written.replaceAll(separator, '');
  const [before = '0', after] = plain.split(/[.,]/);
  if (after === undefined) return whole(language, before);
  const head = language.cardinal(before.slice(0, longest));
  const ways = [`${head} ${language.point} ${digitsOf(language, after)}`];
  if (!after.startsWith('0') && after.length <= 3) ways.push(`${head} ${language.point} ${language.cardinal(after)}`);
  return ways;
}

const [amountAfter, amountBefore, rangeOf, figureOf] = [
  new RegExp(`^([£$€¥])(${number})(k|m|bn|million|billion)?$`, 'iu'),
  new RegExp(`^(${number})([£$€¥])$`, 'u'),
  new RegExp(`^(${number})[-–—](${number})$`, 'u'),
  new RegExp(`^([-−+])?(${number})([^\\d\\s.,].*)?$`, 'u'),
];

const isOne = (written: string): boolean => /^1(?:[.,]0+)?$/.test(written);
const spelled = (language: SpokenLanguage, letters: string): string =>
  Array.from(letters.toLowerCase(), (l) => (/\d/.test(l) ? language.cardinal(l) : language.letter(l))).join(' ');

/** Ways of saying a token without the punctuation around it; null where it is a plain word. */
function waysOf(language: SpokenLanguage, token: string): string[] | null {
  const folded = token.toLowerCase();
  const sign = own(language.signs, token);
  if (sign !== undefined) return [sign];
  if (
    /^[^\s@]+@[^\s@]+\.[\p{L}]{2,}$/u.test(token) ||
    /^(?:https?:\/\/|www\.)/i.test(token) ||
    /^[\p{L}\d-]+(?:\.[\p{L}\d-]+)*\.(?:com|org|net|edu|gov|info|uk|fr|ca|eu|de|io)(?:\/\S*)?$/iu.test(token)
  )
    return address(language, folded.replace(/^https?:\/\//, ''));

  const time = /^(\d{1,2})(?:[:h]|heures?)(\d{2})?$/.exec(folded);
  if (time && (time[2] !== undefined || folded.endsWith('h')) && Number(time[1]) < 25)
    return [...language.time(time[1] ?? '', time[2] ?? '00')];

  const cents = amountAfter.exec(token);
  const after = amountBefore.exec(token);
  if (cents ?? after) {
    const [symbol = '', amount = '', size = ''] = cents ? cents.slice(1) : [after?.[2], after?.[1]];
    return money(language, symbol, amount, size.toLowerCase());
  }
  const range = rangeOf.exec(token);
  if (range) {
    const [first, second] = [numberWays(language, range[1] ?? ''), numberWays(language, range[2] ?? '')];
    return [`${first[0] ?? ''} ${language.to} ${second[0] ?? ''}`, `${first[0] ?? ''} ${second[0] ?? ''}`];
  }
  const figure = figureOf.exec(token);
  if (figure) {
    const [, lead, written = '', rest = ''] = figure;
    const ways = numberWays(language, written).map((w) =>
      lead === '-' || lead === '−' ? `${language.minus} ${w}` : w,
    );
    if (rest === '') return ways;
    if (language.ordinalEnding.test(rest.toLowerCase())) return [language.ordinal(written.replace(/\D/g, ''))];
    if (/^['’]?s$/.test(rest)) return ways.map((w) => w.replace(/y$/, 'ies').replace(/([^s])$/, '$1s'));
    const unit = own(language.units, rest.toLowerCase());
    if (unit) return ways.map((w) => `${w} ${isOne(written) ? unit[0] : unit[1]}`);
    const tail = waysOf(language, rest.replace(/^[-/×x]/, ''))?.[0] ?? spelledOrWord(language, rest);
    return ways.slice(0, 2).map((w) => `${w} ${tail}`);
  }
  const mixed = /^(\p{Lu}{1,4}|\p{Ll})-?(\d{1,5})(\p{Lu}?)$/u.exec(token);
  if (mixed) {
    const [, letters = '', digits = '', last = ''] = mixed;
    return whole(language, digits).map((w) => `${spelled(language, letters)} ${w} ${spelled(language, last)}`.trim());
  }
  if (/^(?:\p{L}\.){2,}\p{L}?\.?$/u.test(token)) {
    const letters = token.replaceAll('.', '');
    return [...(own(language.abbreviations, letters.toLowerCase()) ?? []), spelled(language, letters)];
  }
  const short = own(language.abbreviations, folded.replace(/\.$/, ''));
  if (short && (token.endsWith('.') || /^(?:mr|mrs|ms|dr|mme|mlle|vs|etc|ok)$/.test(folded))) return [...short];
  if (/^#\d+$/.test(token))
    return whole(language, token.slice(1)).map((w) => `${language.signs['#'] ?? ''} ${w}`.trim());
  if (token.includes('-') && /\d/.test(token)) {
    const parts = token.split('-').filter(Boolean);
    return [parts.map((p) => waysOf(language, p)?.[0] ?? p.toLowerCase()).join(' ')];
  }
  if (/^\p{Lu}$/u.test(token) && !/^[AIOYÀÔ]$/.test(token)) return [language.letter(folded)];
  if (/[&+/]/.test(token) && /[\p{L}\d]/u.test(token)) {
    const parts = token.split(/([&+/])/).filter(Boolean);
    const said = parts.map((p) =>
      p === '/' ? '' : (own(language.signs, p) ?? waysOf(language, p)?.[0] ?? spelledOrWord(language, p)),
    );
    return [said.join(' ')];
  }
  // Initialisms are said letter by letter or as a word: the sound tells which.
  if (/^\p{Lu}{2,6}s?$/u.test(token)) {
    const letters = token.replace(/s$/, '');
    return /^(?=.*[aeiou]).{4,}$/.test(folded)
      ? [folded, spelled(language, letters)]
      : [spelled(language, letters), folded];
  }
  return null;
}
const spelledOrWord = (language: SpokenLanguage, text: string): string =>
  /^\p{Lu}{1,5}$/u.test(text) ? spelled(language, text) : text.toLowerCase();

function money(language: SpokenLanguage, symbol: string, amount: string, size: string): string[] {
  const [one, many] = own(language.money, symbol) ?? ['', ''];
  const [before = '', after] = amount.split(/[.,](?=\d{1,2}$)/);
  const unit = isOne(amount) && size === '' ? one : many;
  const factor = { k: 'thousand', m: 'million', bn: 'billion' }[size] ?? size;
  if (size !== '') return numberWays(language, amount).map((w) => `${w} ${factor} ${unit}`);
  if (after?.length !== 2) return numberWays(language, amount).map((w) => `${w} ${unit}`);
  const head = numberWays(language, before)[0] ?? '';
  const tail = after === '00' ? '' : language.cardinal(after);
  return [`${head} ${unit} ${tail}`.trim(), `${head} ${tail}`.trim()];
}

function address(language: SpokenLanguage, text: string): string[] {
  const parts = text
    .replace(/\/$/, '')
    .split(/([@./:_-])/)
    .filter(Boolean);
  const said = parts.map((p) => {
    const sign = own(language.address, p);
    if (sign !== undefined) return sign;
    if (p === 'www') return spelled(language, p);
    if (/^\d+$/.test(p)) return whole(language, p)[0] ?? p;
    return p.length <= 2 ? spelled(language, p) : p;
  });
  return [said.join(' ')];
}

/** Signs that a word may begin with and is said with, those it may end with, and the same for what is written short. */
const opening = /[\p{L}\p{N}£$€¥%&+=°#@½¼¾×÷−-]/u;
const closing = /[\p{L}\p{N}\p{M}£$€¥%°½¼¾+&=#@×÷−-]/u;
const [letter, letterOrStop] = [/[\p{L}\p{N}]/u, /[\p{L}\p{N}\p{M}.]/u];
/** A word without the signs around it that do not belong to it. */
function within(token: string, first: RegExp, last: RegExp): string {
  const from = token.search(first);
  if (from < 0) return '';
  let to = token.length;
  while (to > from + 1 && !last.test(token.charAt(to - 1))) to--;
  return token.slice(from, to);
}
const lettersOnly = /^[\p{L}\p{M}'’-]+$/u;

/** Ways of saying a token as it is written; none where nothing of it is said. */
export function readingsOf(token: string, language: SpokenLanguage, isShouted = false): readonly Reading[] {
  const trimmed = within(token, opening, closing);
  const dotted = within(token, letter, letterOrStop);
  const bare =
    /^(?:\p{L}\.)+\p{L}?\.?$/u.test(dotted) || own(language.abbreviations, dotted.toLowerCase().replace(/\.$/, ''))
      ? dotted
      : trimmed;
  if (bare === '' || !/[\p{L}\p{N}%&+=°#@½¼¾×÷£$€¥]/u.test(bare)) return [];
  const ways = isShouted && lettersOnly.test(bare) ? null : waysOf(language, bare);
  if (!ways) return [[bare.toLowerCase().replaceAll('’', "'")]];
  const seen = new Set<string>();
  const readings: Reading[] = [];
  for (const way of ways) {
    const words = wordsOf(way);
    const key = words.join(' ');
    if (words.length === 0 || seen.has(key)) continue;
    seen.add(key);
    readings.push(words);
  }
  return readings.slice(0, mostReadings);
}

/** Text in small capitals throughout is not made of initialisms. */
const shouted = (text: string): boolean => !/\p{Ll}/u.test(text) && (text.match(/\p{Lu}{2,}/gu)?.length ?? 0) > 1;

/**
 * The words of a caption as they are said. Labels of speakers, sound notes and what nobody says are left out.
 * @param known names of speakers, in lower case
 */
export function saidIn(
  caption: Pick<Caption, 'text' | 'speakers'>,
  tag: string,
  known: ReadonlySet<string> = new Set(),
): readonly SpokenForms[] {
  const language = spokenLanguage(tag);
  const { text } = caption;
  const silent = [...soundNotes(text), ...labelsIn(caption, known)];
  const isShouted = shouted(text);
  const found: SpokenForms[] = [];
  let isAfterNumber = false;
  for (const { 0: token, index } of text.matchAll(/\d{1,3}(?:[\u00a0\u202f]\d{3})+(?!\d)\S*|\S+/gu)) {
    if (silent.some((s) => s.from < index + token.length && s.to > index)) continue;
    // A unit stands by itself after its number.
    const unit = isAfterNumber ? own(language.units, within(token, opening, closing).toLowerCase()) : undefined;
    isAfterNumber = /\d$/.test(token);
    if (unit) {
      found.push({ from: index, to: index + token.length, readings: [wordsOf(unit[1]), wordsOf(unit[0])] });
      continue;
    }
    // Two words with a dash or dots between them are two.
    for (const part of token.matchAll(/(?:(?![—…]|\.{3}|--).)+/gu)) {
      const readings = readingsOf(part[0], language, isShouted);
      if (readings.length > 0)
        found.push({ from: index + part.index, to: index + part.index + part[0].length, readings });
    }
  }
  return found;
}
