/** Captions that have no times yet. */
import type { Caption } from '../../../core/model/caption.ts';

/** How many captions with words have no times, as a sentence; null where all are timed. */
export function untimedInWords(captions: readonly Caption[]): string | null {
  const written = captions.filter((c) => c.text.trim() !== '');
  const many = written.filter(({ timing }) => timing === 'provisional').length;
  if (many === 0) return null;
  if (many === 1) return 'One caption is not timed yet.';
  return many === written.length
    ? `None of the ${String(many)} captions is timed yet.`
    : `${String(many)} of ${String(written.length)} captions are not timed yet.`;
}
