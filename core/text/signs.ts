/**
 * What signs a text holds, told in one pass: so that rules about brackets or stray spaces look closer
 * only at the few texts that have any.
 */

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
  /** Punctuation with a space and more text after it. */
  inner: 32,
  /** A capital of the Latin alphabet after a space. */
  capital: 64,
  /** A word that begins with the same two characters as the one before. */
  echo: 128,
} as const;

const [plain, space, newline, punctuation, bracket, dash] = [0, 1, 2, 3, 4, 5] as const;
/** The class of every ASCII character. */
const classes = new Uint8Array(128);
for (const at of ' \t') classes[at.charCodeAt(0)] = space;
classes[0x0a] = newline;
for (const at of ',.;:!?') classes[at.charCodeAt(0)] = punctuation;
for (const at of '<>[]()') classes[at.charCodeAt(0)] = bracket;
classes[0x2d] = dash;

function classOf(unit: number): number {
  if (unit < 128) return classes[unit] ?? plain;
  if (unit === 0x2013 || unit === 0x2014) return dash;
  return unit === 0x2026 ? punctuation : plain;
}

/** The bits of {@link sign} for what a text holds. */
export function signsOf(text: string): number {
  let signs = 0;
  let before: number = newline;
  let beforeLast: number = newline;
  /** The first two characters of the word before, in one number. */
  let opening = -1;
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    const here = classOf(unit);
    if ((before === space || before === newline) && here !== space && here !== newline) {
      const now = ((unit | 0x20) << 16) | (i + 1 < text.length ? text.charCodeAt(i + 1) | 0x20 : 0x20);
      if (now === opening) signs |= sign.echo;
      opening = now;
    }
    if (here === plain) {
      if (unit <= 0x5a && unit >= 0x41 && (before === space || before === newline)) signs |= sign.capital;
      if (before === space && beforeLast === punctuation) signs |= sign.inner;
    } else if (here === space) {
      if (before === space || before === newline) signs |= sign.straySpace;
    } else if (here === newline) {
      if (before === space) signs |= sign.straySpace;
    } else if (here === punctuation) {
      if (before === newline || before === space || before === punctuation) signs |= sign.strayPunctuation;
      if (unit === 0x3a) signs |= sign.colon;
    } else if (here === bracket) {
      signs |= sign.bracket;
      if (before === space && beforeLast === punctuation) signs |= sign.inner;
    } else if (before === newline) signs |= sign.dash;
    beforeLast = before;
    before = here;
  }
  return before === space ? signs | sign.straySpace : signs;
}
