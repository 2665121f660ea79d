/** Speaker labels: the name before what is said, as `MARY:` or `[Mary]`. */

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
