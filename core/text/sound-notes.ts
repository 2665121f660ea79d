/** Sound notes: descriptions in brackets of something heard. */
import type { TextRange } from './text-range.ts';

/** Stretches in square brackets, over several lines too. */
function bracketed(text: string): TextRange[] {
  const found: TextRange[] = [];
  for (let from = text.indexOf('['); from >= 0; from = text.indexOf('[', from + 1)) {
    const to = text.indexOf(']', from);
    if (to < 0) break;
    found.push({ from, to: to + 1 });
    from = to;
  }
  return found;
}

/**
 * The sound notes of a text: what stands in square brackets; a whole caption in round ones; lines of
 * notes of music and nothing else. Round brackets inside a sentence are part of it. Common practice.
 */
export function soundNotes(text: string): readonly TextRange[] {
  const whole = text.trim();
  if (/^\([^()]*\)$/.test(whole)) return [{ from: 0, to: text.length }];
  if (whole !== '' && /^[♪♫#\s]+$/.test(whole) && /[♪♫]/.test(whole)) return [{ from: 0, to: text.length }];
  return bracketed(text);
}

/** Whether anything in a caption is said: more than notes of what is heard. */
export function isSpoken(text: string): boolean {
  const notes = soundNotes(text);
  for (const { index } of text.matchAll(/[\p{L}\p{N}]/gu))
    if (!notes.some((n) => n.from <= index && n.to > index)) return true;
  return false;
}
