/**
 * Where text is once captions were exchanged for others that hold the same letters: a reflow, a split,
 * a join and their ways back. Places are told by the letters before them; white space does not count.
 */
import { isSpaceUnit } from '../text/tokens.ts';
import { inOrder, type Caption } from './caption.ts';
import type { Splice } from './edits.ts';
import { textChangesOf, difference } from './text-changes.ts';

/** Captions in order with where each of their letters is: caption and offset, letter after letter. */
interface Letters {
  readonly captions: readonly Caption[];
  readonly text: string;
  readonly holder: readonly number[];
  readonly offset: readonly number[];
}

function lettersOf(of: readonly Caption[]): Letters {
  const captions = [...of].sort(inOrder);
  const [holder, offset]: [number[], number[]] = [[], []];
  let text = '';
  captions.forEach((c, k) => {
    for (let i = 0; i < c.text.length; i++) {
      if (isSpaceUnit(c.text.charCodeAt(i))) continue;
      text += c.text[i] ?? '';
      holder.push(k);
      offset.push(i);
    }
  });
  return { captions, text, holder, offset };
}

/** Letters of captions, one after the other in their order. */
export const lettersIn = (of: readonly Caption[]): string => lettersOf(of).text;

export interface LetterMap {
  /** A change of one of the old captions as changes of the new ones; null where its place is not among what both hold. */
  readonly carried: (splice: Splice) => Splice[] | null;
  /** The new captions that hold letters of an old one. */
  readonly holders: (id: string) => readonly Caption[];
  /** The new caption that holds just the letters of an old one. */
  readonly counterpart: (id: string) => Caption | null;
}

/** @param before captions that go @param after captions that come */
export function letterMap(before: readonly Caption[], after: readonly Caption[]): LetterMap {
  const [a, b] = [lettersOf(before), lettersOf(after)];
  /** For each old letter its place among the new ones; -1 where it is not there any more. */
  const moved = new Int32Array(a.text.length).fill(-1);
  let [from, to] = [0, 0];
  const runTo = (end: number): void => {
    while (from < end) moved[from++] = to++;
  };
  for (const change of textChangesOf(difference(a.text, b.text)).reverse()) {
    runTo(change.from);
    from = change.to;
    to += change.insert.length;
  }
  runTo(a.text.length);
  // Captions that changed their order: found again where their letters are just once.
  a.captions.forEach((c, index) => {
    const first = a.holder.indexOf(index);
    const letters = first < 0 ? '' : lettersIn([c]);
    if (letters === '' || moved.subarray(first, first + letters.length).some((k) => k >= 0)) return;
    const found = b.text.indexOf(letters);
    if (found >= 0 && !b.text.includes(letters, found + 1))
      for (let k = 0; k < letters.length; k++) moved[first + k] = found + k;
  });
  const place = (letter: number) => {
    const k = moved[letter] ?? -1;
    const holder = k < 0 ? undefined : b.captions[b.holder[k] ?? -1];
    return holder ? { holder, offset: b.offset[k] ?? 0 } : null;
  };
  const firstLetter = (index: number): number => {
    const k = a.holder.findIndex((h) => h >= index);
    return k < 0 ? a.text.length : k;
  };

  function carried({ id, from, to, insert, keeps }: Splice): Splice[] | null {
    const index = a.captions.findIndex((c) => c.id === id);
    const old = a.captions[index];
    if (!old) return null;
    const begins = firstLetter(index);
    const count = (end: number): number => {
      let n = 0;
      for (let i = 0; i < end; i++) if (!isSpaceUnit(old.text.charCodeAt(i))) n++;
      return n;
    };
    const [first, last] = [begins + count(from), begins + count(to)];
    const isLetter = (at: number): boolean => at >= 0 && at < old.text.length && !isSpaceUnit(old.text.charCodeAt(at));
    const more = keeps ? { keeps } : {};
    const cut: { holder: Caption; from: number; to: number }[] = [];
    const take = (holder: Caption, start: number, end: number): void => {
      const before = cut.at(-1);
      const gap = before?.holder === holder ? holder.text.slice(before.to, start) : 'x';
      if (before && gap.trim() === '') before.to = end;
      else cut.push({ holder, from: start, to: end });
    };
    const [left, right] = [place(first - 1), place(last)];
    const one = left?.holder === right?.holder ? (left?.holder ?? null) : null;
    for (let k = first; k < last; k++) {
      const at = place(k);
      if (!at) return null;
      take(at.holder, at.offset, at.offset + 1);
    }
    // White space that went too: before the first letter, after the last, or between two.
    const [opens, closes] = [to > from && !isLetter(from), to > from && !isLetter(to - 1)];
    const head = cut[0];
    const end = cut.at(-1);
    if (head && opens && left?.holder === head.holder) head.from = left.offset + 1;
    if (end && closes && !opens && right?.holder === end.holder) end.to = right.offset;
    if (first === last && opens && one && left && right && isLetter(from - 1) && isLetter(to))
      cut.push({ holder: one, from: left.offset + 1, to: right.offset });
    const splices = cut.map((c): Splice => ({
      type: 'splice',
      id: c.holder.id,
      from: c.from,
      to: c.to,
      insert: '',
      ...more,
    }));
    if (insert === '') return splices.reverse();
    if (insert.trim() === '') {
      // Only between letters that stand together: elsewhere the new captions have their own white space.
      const gap = head ? head.to - head.from : 0;
      const apart = !one || left?.offset === undefined || right?.offset !== left.offset + 1 + gap;
      return apart
        ? splices.reverse()
        : [
            ...splices.reverse(),
            { type: 'splice', id: one.id, from: left.offset + 1, to: left.offset + 1, insert, ...more },
          ];
    }
    // In the place of the first letter that went, else beside the letter it was typed at.
    const sticksLeft = isLetter(from - 1) || !isLetter(to);
    const before = left && { id: left.holder.id, at: left.offset + 1 };
    const behind = right && { id: right.holder.id, at: right.offset };
    const empty = a.text === '' && b.captions[0] ? { id: b.captions[0].id, at: 0 } : null;
    const spot = head
      ? { id: head.holder.id, at: head.from }
      : ((sticksLeft ? before : behind) ?? behind ?? before ?? empty);
    if (!spot) return null;
    // Places are those before the cuts: what is put in behind cuts in its caption moves back with them.
    const taken = cut.filter((c) => c.holder.id === spot.id && c.to <= spot.at).reduce((n, c) => n + c.to - c.from, 0);
    const at = spot.at - taken;
    return [...splices.reverse(), { type: 'splice', id: spot.id, from: at, to: at, insert, ...more }];
  }

  function holders(id: string): readonly Caption[] {
    const index = a.captions.findIndex((c) => c.id === id);
    const found = new Set<Caption>();
    for (let k = a.holder.indexOf(index); k >= 0 && a.holder[k] === index; k++) {
      const at = place(k);
      if (at) found.add(at.holder);
    }
    return [...found];
  }

  function counterpart(id: string): Caption | null {
    const [only, ...more] = holders(id);
    const old = before.find((c) => c.id === id);
    return only && old && more.length === 0 && lettersIn([only]) === lettersIn([old]) ? only : null;
  }
  return { carried, holders, counterpart };
}
