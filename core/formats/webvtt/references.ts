/** Character references of HTML, as far as captions use them. */

/** Named character references captions use; the full table of HTML has no place in a sidecar file. */
const named: Readonly<Record<string, string>> = {
  amp: '&',
  lt: '<',
  gt: '>',
  nbsp: '\u00a0',
  lrm: '\u200e',
  rlm: '\u200f',
  quot: '"',
  apos: "'",
};

/** Longest reference there is, from `&` to `;`. */
const longest = 12;

/** The character reference that begins at `&`, and where the text goes on; null where there is none. */
export function reference(source: string, at: number): { readonly text: string; readonly next: number } | null {
  const length = source.slice(at, at + longest).indexOf(';');
  if (length < 0) return null;
  const end = at + length;
  const body = source.slice(at + 1, end);
  const known = named[body];
  if (known !== undefined) return { text: known, next: end + 1 };
  const numeric = /^#(?:x([0-9a-f]{1,6})|(\d{1,7}))$/i.exec(body);
  if (!numeric) return null;
  const point = numeric[1] ? parseInt(numeric[1], 16) : Number(numeric[2]);
  const valid = point > 0 && point <= 0x10ffff && !(point >= 0xd800 && point <= 0xdfff) && point !== 13;
  return { text: valid ? String.fromCodePoint(point) : '\ufffd', next: end + 1 };
}
