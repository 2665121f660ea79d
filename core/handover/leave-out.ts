/**
 * What leaves of a track: without sound notes and speaker labels, as subtitles for people who hear want it, and without
 * captions whose times nobody has set.
 */
import type { FormatName } from '../formats/format.ts';
import { labelsIn } from '../text/labels.ts';
import { soundNotes } from '../text/sound-notes.ts';
import type { TextRange } from '../text/text-range.ts';
import type { Caption } from '../model/caption.ts';
import { spliceText } from '../model/ranges.ts';

export interface LeftOut {
  readonly soundNotes: boolean;
  readonly labels: boolean;
  /** Captions that are not timed: a file with times would show them at moments that are made up. */
  readonly untimed: boolean;
}

/** All that is there, but for times that are made up. */
export const nothingLeftOut: LeftOut = { soundNotes: false, labels: false, untimed: true };

/** Formats that have times and cannot say that one is not set. */
const timed: ReadonlySet<FormatName> = new Set(['srt', 'vtt', 'ttml', 'timed', 'ctm']);

/** The captions with words whose times would be made up in a file of this format. */
export const timesMadeUp = (captions: readonly Caption[], format: FormatName): readonly Caption[] =>
  timed.has(format) ? captions.filter((c) => c.timing === 'provisional' && c.text.trim() !== '') : [];

/** The captions a file of this format is written of. */
export function captionsFor(captions: readonly Caption[], format: FormatName, left: LeftOut): readonly Caption[] {
  const told = left.untimed && timed.has(format) ? captions.filter((c) => c.timing === 'set') : captions;
  return leaveOut(told, left);
}

/** Names of the speakers of a track, in lower case. */
function knownSpeakers(captions: readonly Caption[]): Set<string> {
  return new Set(captions.flatMap((c) => c.speakers.map((s) => s.speaker.toLowerCase())).filter((n) => n !== ''));
}

/** Spaces nobody meant: around lines, empty lines, and the second of two between words. */
function spareSpaces(text: string): TextRange[] {
  const found: TextRange[] = [];
  let from = 0;
  let said = false;
  for (const part of text.split(/([ \t\n]+)/)) {
    const to = from + part.length;
    const isSpace = part.trim() === '';
    if (isSpace && part !== '') {
      // Of a run of spaces one sign stays between words: the line break where there is one.
      const kept = said && to < text.length ? Math.max(0, part.indexOf('\n')) : -1;
      if (kept < 0) found.push({ from, to });
      else found.push({ from, to: from + kept }, { from: from + kept + 1, to });
    } else if (part !== '') said = true;
    from = to;
  }
  return found.filter((s) => s.to > s.from);
}

/** Takes stretches out of a caption, and the spaces and empty lines they leave behind. */
function without(c: Caption, stretches: readonly TextRange[]): Caption {
  let out = c;
  for (const { from, to } of [...stretches].sort((a, b) => b.from - a.from))
    out = spliceText(out, from, Math.min(to, out.text.length), '');
  for (const { from, to } of spareSpaces(out.text).reverse()) out = spliceText(out, from, to, '');
  // A dash that marked a speaker says nothing before nobody's words.
  return /^[-–—]$/.test(out.text) ? { ...out, text: '', marks: [], speakers: [], words: [] } : out;
}

/** The captions without what is to be left out; those of which nothing remains are gone. */
export function leaveOut(
  captions: readonly Caption[],
  { soundNotes: notes, labels: names }: Pick<LeftOut, 'soundNotes' | 'labels'>,
): readonly Caption[] {
  if (!notes && !names) return captions;
  const known = knownSpeakers(captions);
  return captions.flatMap((c): Caption[] => {
    const stretches = [...(notes ? soundNotes(c.text) : []), ...(names ? labelsIn(c, known) : [])];
    if (stretches.length === 0) return [c];
    const left = without(c, merged(stretches));
    return left.text.trim() === '' ? [] : [left];
  });
}

/** Stretches that overlap as one. */
function merged(stretches: readonly TextRange[]): TextRange[] {
  const out: TextRange[] = [];
  for (const s of [...stretches].sort((a, b) => a.from - b.from)) {
    const last = out.at(-1);
    if (last && s.from <= last.to) out[out.length - 1] = { from: last.from, to: Math.max(last.to, s.to) };
    else out.push(s);
  }
  return out;
}
