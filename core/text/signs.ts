/**
 * What signs a text holds, told in one pass: so that rules about brackets or stray spaces look closer
 * only at the few texts that have any.
 */
import { isSimpleUnit } from './graphemes.ts';

/** One bit for each thing a text can hold. */
export const sign = {
  /** `<`, `>` or a bracket, square or round. */
  bracket: 1,
  colon: 2,
  /** A space or tab beside another, or at either end of a line. */
  straySpace: 4,
  /** Punctuation at the beginning of a line, or two signs of it side by side. */
  strayPunctuation: 8,
  /** A dash at the beginning of a line. */
  dash: 16,
  /** Punctuation or a dash, and after it, beyond a space, more text. */
  inner: 32,
  /** A capital of the Latin alphabet after a space, with small letters before the space and after it. */
  capital: 64,
  /** A run of letters that begins with the same two as the one before; or something beyond ASCII, where letters are not told. */
  echo: 128,
  /** A character that may combine with the one beside it, so that code units are not what a reader counts. */
  combining: 256,
} as const;

const [plain, space, newline, punctuation, bracket, dash, quote] = [0, 1, 2, 3, 4, 5, 6] as const;
/** The class of every ASCII character. */
const classes = new Uint8Array(128);
for (const at of ' \t') classes[at.charCodeAt(0)] = space;
classes[0x0a] = newline;
for (const at of ',.;:!?') classes[at.charCodeAt(0)] = punctuation;
for (const at of '<>[]()') classes[at.charCodeAt(0)] = bracket;
classes[0x2d] = dash;
classes[0x22] = quote;
/** Signs that end sentences and clauses in other scripts, and the ellipsis. */
const foreign = new Set(Array.from('…。！？؟،、；：', (at) => at.charCodeAt(0)));
const quotes = new Set(Array.from('“”‘«»', (at) => at.charCodeAt(0)));

function classOf(unit: number): number {
  if (unit < 128) return classes[unit] ?? plain;
  if (unit === 0x2013 || unit === 0x2014) return dash;
  if (foreign.has(unit)) return punctuation;
  return quotes.has(unit) ? quote : plain;
}

/** A letter of ASCII in small; zero for everything else. */
const letter = (unit: number): number => ((unit | 0x20) >= 0x61 && (unit | 0x20) <= 0x7a ? unit | 0x20 : 0);

const mayBeSmall = (unit: number): boolean => unit >= 128 || (unit >= 0x61 && unit <= 0x7a);

/** Whether small letters may stand on both sides of a capital and the space before it. */
const isAmongSmall = (text: string, at: number): boolean =>
  at > 1 && mayBeSmall(text.charCodeAt(at - 2)) && mayBeSmall(text.charCodeAt(at + 1));

/** The bits of {@link sign} for what a text holds. */
export function signsOf(text: string): number {
  let signs = 0;
  let before: number = newline;
  /** Punctuation has been passed, and a space after it. */
  let ended = false;
  let parted = false;
  /** The first two characters of the word before, in one number. */
  let opening = -1;
  let inWord = false;
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    const here = classOf(unit);
    if (here === space || here === newline) {
      parted = ended;
      inWord = false;
      if (before === space || (here === space && before === newline)) signs |= sign.straySpace;
    } else {
      if (parted) signs |= sign.inner;
      if (unit >= 128) signs |= isSimpleUnit(unit) ? sign.echo : sign.echo | sign.combining;
      else if (unit < 0x20) signs |= sign.combining;
      const small = letter(unit);
      if (small !== 0 && !inWord) {
        const now = (small << 8) | (i + 1 < text.length ? letter(text.charCodeAt(i + 1)) : 0);
        if (now === opening) signs |= sign.echo;
        opening = now;
        if (unit >= 0x41 && unit <= 0x5a && (before === space || before === newline) && isAmongSmall(text, i))
          signs |= sign.capital;
      }
      inWord = small !== 0;
      if (here === punctuation) {
        if (before === newline || before === space || before === punctuation) signs |= sign.strayPunctuation;
        if (unit === 0x3a) signs |= sign.colon;
      } else if (here === bracket) signs |= sign.bracket;
      else if (here === dash && before === newline) signs |= sign.dash;
      if (here === punctuation || here === dash) ended = true;
    }
    before = here;
  }
  return before === space ? signs | sign.straySpace : signs;
}
