/** Words of a text, as white space parts them. */
import type { TextRange } from './text-range.ts';

/** Whether a code unit is white space as `\s` has it. */
export function isSpaceUnit(unit: number): boolean {
  if (unit <= 0x20) return unit === 0x20 || (unit >= 0x09 && unit <= 0x0d);
  if (unit < 0x1680) return unit === 0xa0;
  if (unit >= 0x2000 && unit <= 0x200a) return true;
  return [0x1680, 0x2028, 0x2029, 0x202f, 0x205f, 0x3000, 0xfeff].includes(unit);
}

/** Words of a stretch of text, as white space parts them. */
export function tokensOf(text: string, from: number, to: number): TextRange[] {
  const found: TextRange[] = [];
  const end = Math.min(to, text.length);
  let start = -1;
  for (let i = from; i < end; i++) {
    if (!isSpaceUnit(text.charCodeAt(i))) {
      if (start < 0) start = i;
    } else if (start >= 0) {
      found.push({ from: start, to: i });
      start = -1;
    }
  }
  if (start >= 0) found.push({ from: start, to: end });
  return found;
}
