/** Finding in captions, and putting something else in place of what was found. */
import type { Caption } from '../model/caption.ts';
import type { Edit } from '../model/edits.ts';
import type { TextRange } from '../text/text-range.ts';
import type { Match, Seek } from './query.ts';

/** A place in a track. */
export interface MatchInTrack extends Match {
  /** Id of the caption. */
  readonly caption: string;
}

/** Every place in a caption. */
export const matchesIn = (caption: Caption, seek: Seek): MatchInTrack[] =>
  seek(caption.text).map((match) => ({ ...match, caption: caption.id }));

/**
 * What goes in place of a match. In a pattern `$1` to `$9` stand for its groups, `$&` for all of it and
 * `$$` for a dollar; a group that is not there stands for nothing.
 */
function insertFor(match: Match, replacement: string, isPattern: boolean): string {
  if (!isPattern) return replacement;
  return replacement.replace(/\$([$&\d])/g, (_, sign: string) =>
    sign === '$' ? '$' : (match.groups[sign === '&' ? 0 : Number(sign)] ?? ''),
  );
}

export interface Replacement extends TextRange {
  readonly insert: string;
}

/**
 * The change for one match. A line break inside it stays: in the same gap between words where the new
 * text has one, else after it.
 */
export function replacementFor(text: string, match: Match, replacement: string, isPattern: boolean): Replacement {
  const insert = insertFor(match, replacement, isPattern);
  const was = text.slice(match.from, match.to);
  if (!was.includes('\n') || insert === '' || insert.includes('\n')) return { ...stretch(match), insert };
  const gap = was.slice(0, was.indexOf('\n')).trimEnd().split(/\s+/).length - 1;
  let seen = 0;
  const broken = insert.replace(/[ \t]+/g, (space) => (seen++ === gap ? '\n' : space));
  if (broken.includes('\n')) return { ...stretch(match), insert: broken };
  return text.charAt(match.to) === ' '
    ? { from: match.from, to: match.to + 1, insert: `${insert}\n` }
    : { ...stretch(match), insert };
}

const stretch = ({ from, to }: TextRange): TextRange => ({ from, to });

/**
 * Everything found replaced, as one step: word times, marks and speakers go along as they do when
 * somebody types.
 * @param places of the captions as they are, in order
 * @returns null where nothing would change
 */
export function replaceAll(
  captions: readonly Caption[],
  places: readonly MatchInTrack[],
  replacement: string,
  isPattern: boolean,
): Edit | null {
  const texts = new Map(captions.map((c) => [c.id, c.text]));
  const edits: Edit[] = [];
  // From the last to the first, so that the places before stay where they are.
  for (const place of [...places].reverse()) {
    const text = texts.get(place.caption);
    if (text === undefined || text.slice(place.from, place.to) !== place.groups[0]) continue;
    const { from, to, insert } = replacementFor(text, place, replacement, isPattern);
    if (text.slice(from, to) !== insert) edits.push({ type: 'splice', id: place.caption, from, to, insert });
  }
  const [only] = edits;
  return only ? (edits.length === 1 ? only : { type: 'together', edits }) : null;
}
