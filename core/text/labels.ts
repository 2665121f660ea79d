/** Speaker labels: the name before what is said, as `MARY:` or `[Mary]`. */
import type { TextRange } from './text-range.ts';

/** A name as labels have it: a few words, a number, initials. */
const name = String.raw`[\p{L}\p{N}][\p{L}\p{N}\p{M} .'’&/-]{0,39}`;
const bracketed = new RegExp(String.raw`^[[(](${name})[\])]:?\s*`, 'u');
const coloned = new RegExp(String.raw`^(${name}):\s+`, 'u');

const fold = (text: string): string => text.trim().toLowerCase();

/** How many characters at the beginning of a text are the label of a speaker; 0 where there is none. */
export function labelLength(text: string, speaker: string): number {
  if (speaker === '') return 0;
  const head = text.slice(0, 60);
  if (!head.includes(':') && !/^[[(]/.test(head)) return 0;
  for (const pattern of [coloned, bracketed]) {
    const found = pattern.exec(head);
    if (found && fold(found[1] ?? '') === fold(speaker)) return Math.min(text.length, found[0].length);
  }
  return 0;
}

export interface Label {
  readonly speaker: string;
  /** Characters of the label, with the space after it. */
  readonly length: number;
}

/**
 * The label a line begins with; null where it begins with none. A word with a colon may be part of a
 * sentence (“Remember: …”), so it counts only in capitals, or where the name is known.
 * @param known names of speakers, in lower case
 */
export function labelOf(line: string, known: ReadonlySet<string>): Label | null {
  const head = line.slice(0, 60);
  const found = coloned.exec(head);
  if (!found) return null;
  const speaker = (found[1] ?? '').trim();
  const capitals = speaker === speaker.toUpperCase() && speaker !== speaker.toLowerCase();
  return capitals || known.has(fold(speaker)) ? { speaker, length: found[0].length } : null;
}

/** A text, and who speaks where: of each speaker’s words so many first characters are the label. */
interface Labelled {
  readonly text: string;
  readonly speakers: readonly (TextRange & { readonly label: number })[];
}

const nobody: ReadonlySet<string> = new Set();

/**
 * The labels of a caption: those it knows of, and at the beginning of its lines those that look like one.
 * @param known names of speakers, in lower case
 */
export function labelsIn(of: Labelled, known: ReadonlySet<string> = nobody): TextRange[] {
  const marked = of.speakers
    .filter((s) => s.label > 0)
    // No longer than what is said: words behind it are not the label's.
    .map((s) => ({ from: s.from, to: Math.min(s.to, s.from + s.label) }));
  if (!of.text.includes(':')) return marked;
  let from = 0;
  const found: TextRange[] = [];
  for (const line of of.text.split('\n')) {
    const dash = /^[-–—]\s*/.exec(line)?.[0].length ?? 0;
    const at = from + dash;
    const label = labelOf(line.slice(dash), known);
    if (label && !marked.some((m) => m.from <= at && m.to > at)) found.push({ from: at, to: at + label.length });
    from += line.length + 1;
  }
  return [...marked, ...found];
}

/**
 * Where lines begin with a dash or a label: somebody else speaks from there on, so that they have to
 * stay lines.
 */
export function turnLines({ text, speakers }: Labelled): number[] {
  const found: number[] = [];
  if (!/[-–—:]/.test(text) && !speakers.some((s) => s.label > 0)) return found;
  let from = 0;
  for (const line of text.split('\n')) {
    const at = from + line.length - line.trimStart().length;
    const plain = text.slice(at, from + line.length);
    const isTurn =
      /^[-–—]/.test(plain) || labelOf(plain, nobody) !== null || speakers.some((s) => s.label > 0 && s.from === at);
    if (isTurn) found.push(at);
    from += line.length + 1;
  }
  return found;
}
