/**
 * Characters as a reader counts them: grapheme clusters of UAX 29. `Intl.Segmenter` is the truth and
 * slow, so text made of characters that never combine takes a faster way with the same result.
 */
import { eachSegment } from './segments.ts';

const segmenter = new Intl.Segmenter('und', { granularity: 'grapheme' });

/**
 * Code units that are always a cluster of their own beside one another: Latin with accents, Greek
 * and Cyrillic letters, common punctuation and currency, kana and ideographs, line breaks. Combining
 * marks, joiners, surrogates, jamo and carriage returns are left out on purpose.
 */
export function isSimpleUnit(unit: number): boolean {
  return (
    (unit >= 0x20 && unit < 0x300) ||
    unit === 0x0a ||
    (unit >= 0x370 && unit < 0x483) ||
    (unit >= 0x48a && unit < 0x530) ||
    (unit >= 0x1e00 && unit < 0x2000) ||
    (unit >= 0x2010 && unit < 0x2028) ||
    (unit >= 0x2030 && unit < 0x203c) ||
    (unit >= 0x20a0 && unit < 0x20c0) ||
    (unit >= 0x3041 && unit < 0x3097) ||
    (unit >= 0x30a0 && unit < 0x3100) ||
    (unit >= 0x4e00 && unit < 0xa000)
  );
}

/** Grapheme clusters of a text without line breaks. */
export function graphemes(text: string): string[] {
  const found: string[] = [];
  eachSegment(segmenter, text, ({ segment }) => found.push(segment));
  return found;
}

/** Whether each code unit of a text is a cluster of its own. */
export function isSimple(text: string): boolean {
  for (let i = 0; i < text.length; i++) if (!isSimpleUnit(text.charCodeAt(i))) return false;
  return true;
}

/** How many grapheme clusters a text has. */
export const countGraphemes = (text: string): number => (isSimple(text) ? text.length : graphemes(text).length);
