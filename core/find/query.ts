/** What is looked for in the text of captions: words as they stand, or a pattern. */
import { RE2JS } from 're2js';
import type { TextRange } from '../text/text-range.ts';

export interface Query {
  readonly text: string;
  readonly matchCase: boolean;
  readonly wholeWords: boolean;
  /** The text is a pattern, in the syntax of RE2. */
  readonly pattern: boolean;
}

/** A place that fits. `groups` are the parts a pattern names by number, the whole first. */
export interface Match extends TextRange {
  readonly groups: readonly string[];
}

/** Finds every place in a text, from the first to the last; none of them empty, none inside another. */
export type Seek = (text: string) => Match[];

export type Compiled =
  { readonly seek: Seek; readonly fault: null } | { readonly seek: null; readonly fault: string | null };

/** One place at or after an offset, or null. */
type Next = (text: string, from: number) => Match | null;

const isWordUnit = (text: string, at: number): boolean => /[\p{L}\p{N}\p{M}_]/u.test(text.charAt(at));
const inSurrogates = (text: string, at: number): boolean => /[\ud800-\udfff]/.test(text.charAt(at));

/** Whether no word goes on across an edge of a place. Letters beyond the basic plane count as letters. */
function standsAlone(text: string, { from, to }: TextRange): boolean {
  const goesOn = (a: number, b: number): boolean =>
    (isWordUnit(text, a) || inSurrogates(text, a)) && (isWordUnit(text, b) || inSurrogates(text, b));
  return !(from > 0 && goesOn(from - 1, from)) && !(to < text.length && goesOn(to - 1, to));
}

function seekWith(next: Next, wholeWords: boolean): Seek {
  return (text) => {
    const found: Match[] = [];
    for (let from = 0; from <= text.length;) {
      const match = next(text, from);
      if (!match) break;
      const fits = match.to > match.from && (!wholeWords || standsAlone(text, match));
      if (fits) found.push(match);
      from = fits ? match.to : match.from + 1;
    }
    return found;
  };
}

/** Words as they stand; a space fits a line break too, since where a caption breaks is no part of what is said. */
function literal({ text, matchCase }: Query): Next {
  const source = text
    .split(/\s+/)
    .map((part) => part.replace(/[\\^$.*+?()[\]{}|/-]/g, '\\$&'))
    .join('\\s+');
  const expression = new RegExp(source, matchCase ? 'gu' : 'giu');
  return (of, from) => {
    expression.lastIndex = from;
    const found = expression.exec(of);
    return found ? { from: found.index, to: found.index + found[0].length, groups: [found[0]] } : null;
  };
}

/** A pattern, by an engine whose time grows in step with the text whatever the pattern is. */
function patterned({ text, matchCase }: Query): Next {
  const expression = RE2JS.compile(text, RE2JS.MULTILINE | (matchCase ? 0 : RE2JS.CASE_INSENSITIVE));
  return (of, from) => {
    const matcher = expression.matcher(of);
    if (!matcher.find(from)) return null;
    const groups = Array.from({ length: matcher.groupCount() + 1 }, (_, n) => matcher.group(n) ?? '');
    return { from: matcher.start(), to: matcher.end(), groups };
  };
}

/** Patterns beyond this length are refused, in characters. */
const longestPattern = 1000;

/**
 * Makes a query ready.
 * @returns no `seek` where nothing is asked for, or where the pattern cannot be read; `fault` says why then
 */
export function compile(query: Query): Compiled {
  if (query.text === '' || (!query.pattern && query.text.trim() === '')) return { seek: null, fault: null };
  if (!query.pattern) return { seek: seekWith(literal(query), query.wholeWords), fault: null };
  if (query.text.length > longestPattern)
    return { seek: null, fault: `A pattern may have ${String(longestPattern)} characters; this one has more.` };
  try {
    return { seek: seekWith(patterned(query), query.wholeWords), fault: null };
  } catch (error) {
    const said = error instanceof Error ? error.message.replace(/^error parsing regexp: /, '') : String(error);
    return { seek: null, fault: `This pattern cannot be read: ${said}.` };
  }
}
