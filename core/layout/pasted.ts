/** Lines of text put into a track: captions by the pauses of what they stand in for, and by the style's limits. */
import { pushAll } from '../text/push-all.ts';
import { tokensOf } from '../text/tokens.ts';
import { timeNeeded, wholeGap } from '../style/style.ts';
import { caption, type Caption, type WordRange } from '../model/caption.ts';
import { shareByLetters } from '../model/ranges.ts';
import { reflow, type Frame } from './reflow.ts';
import { perLetter } from './speaking-time.ts';

/** What the lines take the place of. */
export interface PasteTarget {
  /** Captions that go, in order; one at the least. */
  readonly old: readonly Caption[];
  /** When the caption before them ends, in ms; 0 where there is none. */
  readonly since: number;
  /** When the caption after them begins, in ms; Infinity where there is none. */
  readonly until: number;
}

/** Words are compared with those that were there only while that is quick. */
const mostCompared = 4_000_000;

/** A new word. */
interface SpokenLine {
  readonly text: string;
  /** Line it stands in. */
  readonly line: number;
  /** Place of the old word it is the same as, among those that were there. */
  readonly old: number | null;
}

const fold = (word: string): string => word.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');

/** For each new word the old one it pairs with: the longest run of pairs in order there is. */
function pairs(fresh: readonly string[], old: readonly string[]): (number | null)[] {
  const [n, m] = [fresh.length, old.length];
  const found = fresh.map((): number | null => null);
  if (n * m > mostCompared) return found;
  const width = m + 1;
  const table = new Uint16Array((n + 1) * width);
  const at = (i: number, j: number): number => table[i * width + j] ?? 0;
  for (let i = n - 1; i >= 0; i--)
    for (let j = m - 1; j >= 0; j--)
      table[i * width + j] =
        fresh[i] !== '' && fresh[i] === old[j] ? at(i + 1, j + 1) + 1 : Math.max(at(i + 1, j), at(i, j + 1));
  for (let i = 0, j = 0; i < n && j < m;) {
    if (fresh[i] !== '' && fresh[i] === old[j]) found[i++] = j++;
    else if (at(i + 1, j) >= at(i, j + 1)) i++;
    else j++;
  }
  return found;
}

/** The stretch of time words are put into, in ms. */
interface Room {
  /** What comes before all that was there may begin here. */
  readonly since: number;
  readonly start: number;
  readonly end: number;
}

/**
 * Times of words in a row: their own where they were there, else those of the words they stand in for,
 * shared by letters; where there were none, the time between.
 * @returns a word each; null for those that have less than a millisecond a letter: nothing could be told apart there
 */
function timed(
  words: readonly SpokenLine[],
  old: readonly WordRange[],
  { since, start, end }: Room,
): (WordRange | null)[] {
  const text = words.map((w) => w.text).join(' ');
  let at = 0;
  const ranges = words.map((w) => {
    const from = at;
    at += w.text.length + 1;
    return { from, to: from + w.text.length };
  });
  const out: (WordRange | null)[] = [];
  let clock = start;
  let before = -1;
  for (let i = 0; i < words.length;) {
    let next = i;
    while (next < words.length && words[next]?.old === null) next++;
    const after = words[next]?.old ?? old.length;
    const stop = Math.max(clock, old[after]?.[2] ?? end);
    if (next > i) {
      const [first, last] = [old[before + 1], old[after - 1]];
      const gone = first && last && after > before + 1;
      const from = gone ? Math.max(clock, first[2]) : i === 0 ? Math.min(since, clock) : clock;
      const to = gone ? Math.max(from, last[3]) : stop;
      const run = ranges.slice(i, next);
      const fits = to - from >= run.reduce((sum, r) => sum + r.to - r.from, 0);
      pushAll(out, fits ? shareByLetters(text, run, from, to) : run.map(() => null));
    }
    const same = old[after];
    const range = ranges[next];
    if (same && range) {
      clock = Math.max(stop, same[3]);
      out.push([range.from, range.to, stop, clock, same[4], same[5], same[6]]);
    }
    before = after;
    i = next + 1;
  }
  return out;
}

/** Whether a caption waits to be timed: nothing in it has a time. */
const waits = (c: Caption): boolean => c.timing === 'provisional' && c.words.length === 0;

/** Captions for words that have no room in time: laid out as if there were some. They wait to be timed, and take no time from anybody. */
function withoutTime(of: Caption, frame: Frame, newId: () => string): Caption[] {
  const asLong = { ...of, start: 0, end: Math.max(1, of.text.length * perLetter), words: [] };
  return reflow([asLong], frame, newId).map((c) => ({ ...c, timing: 'provisional', words: [] }));
}

/**
 * Captions of lines in place of others. A word that was there keeps its time; the rest share the time
 * between, and captions in which no word was there are provisional. Every line begins a caption.
 * @param lines without line breaks; empty ones are passed over
 */
export function pasted(
  lines: readonly string[],
  { old, since, until }: PasteTarget,
  frame: Frame,
  newId: () => string,
): Caption[] {
  const words = lines.flatMap((line, n) =>
    tokensOf(line, 0, line.length).map((t) => ({ text: line.slice(t.from, t.to), line: n })),
  );
  const first = old[0];
  const last = old.at(-1);
  if (!first || !last || words.length === 0) return [];
  const known = old.flatMap((c) => c.words.map((w) => ({ word: w, text: c.text.slice(w[0], w[1]) })));
  const pairing = pairs(
    words.map((w) => fold(w.text)),
    known.map((k) => fold(k.text)),
  );
  const said = words.map((w, i): SpokenLine => ({ ...w, old: pairing[i] ?? null }));
  const gap = wholeGap(frame.style, frame.rate);
  const letters = words.reduce((sum, w) => sum + w.text.length + 1, 0);
  const room = Math.max(first.start + 1, until - gap);
  const end = Math.max(last.end, Math.min(room, first.start + letters * perLetter));
  const times = timed(
    said,
    known.map((k) => k.word),
    { since: Math.min(first.start, since + gap), start: first.start, end },
  );
  /** Where each word begins in all of them, joined by spaces. */
  const offsets: number[] = [];
  said.reduce((at, w) => (offsets.push(at), at + w.text.length + 1), 0);
  const laid: Caption[] = [];
  for (let i = 0; i < said.length;) {
    let stop = i;
    while (stop < said.length && said[stop]?.line === said[i]?.line) stop++;
    const here = said.slice(i, stop);
    const text = here.map((w) => w.text).join(' ');
    const offset = offsets[i] ?? 0;
    const words = times
      .slice(i, stop)
      .flatMap((w): WordRange[] => (w ? [[w[0] - offset, w[1] - offset, w[2], w[3], w[4], w[5], w[6]]] : []));
    const line = caption({
      id: '',
      start: words[0]?.[2] ?? first.start,
      end: words.at(-1)?.[3] ?? end,
      timing: here.some((w) => w.old !== null) ? 'set' : 'provisional',
      text,
      words,
      placement: first.placement,
    });
    if (words.length === 0) pushAll(laid, withoutTime(line, frame, newId));
    else
      for (const c of reflow([line], frame, newId)) {
        // Laying out may begin a caption before its first word, and then it must not come before the line above.
        const least = (laid.findLast((other) => !waits(other))?.start ?? -1) + 1;
        laid.push(c.start >= least ? c : { ...c, start: least, end: Math.max(c.end, least + 1) });
      }
    i = stop;
  }
  // Those that wait stand a millisecond each, right after the beginning of the caption before them, or right before
  // what comes first.
  const leading = laid.findIndex((c) => !waits(c));
  let at = Math.max(0, (laid[leading]?.start ?? first.start) - Math.max(0, leading));
  const placed = laid.map((c): Caption => {
    if (waits(c)) return { ...c, start: at, end: ++at };
    at = c.start + 1;
    return c;
  });
  // From the last, so that each knows when the next one with times begins.
  let nextStart = Infinity;
  for (let i = placed.length - 1; i >= 0; i--) {
    const c = placed[i];
    if (!c || waits(c)) continue;
    const most = Math.min(nextStart - gap, Math.max(last.end, room));
    const wanted = Math.max(c.end, c.start + timeNeeded(c, frame.style, frame.style.reading.speed.limit));
    nextStart = c.start;
    placed[i] = { ...c, end: Math.max(c.start + 1, Math.min(wanted, most)) };
  }
  return placed;
}
