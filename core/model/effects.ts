/** What an edit does to the captions it names: which of them go, which come, and what takes it back. */
import { withoutVersions, withVersions, type Caption, type Version, type WordRange } from './caption.ts';
import { joinWhole, splitWhole } from './carried.ts';
import { EditRefused, type EditOf, type Single } from './edits.ts';
import { along } from './pieces.ts';
import { letterMap } from './letters.ts';
import { joinText, markText, sliceText, spliceText } from './ranges.ts';

/** The caption of an id; undefined where there is none. */
export type Lookup = (id: string) => Caption | undefined;

export interface Effect {
  /** Captions as they were, and as they are; an id in both is a caption that changes. */
  readonly before: readonly Caption[];
  readonly after: readonly Caption[];
  readonly inverse: Single;
}

function existing(find: Lookup, id: string): Caption {
  const found = find(id);
  if (!found) throw new EditRefused(`Caption ${id} is no longer in the track.`);
  return found;
}

/** One of several that are known to be as many as asked for. */
function at<T>(list: readonly T[], index: number): T {
  const found = list[index];
  if (found === undefined) throw new RangeError(`There is no ${String(index)} in a list of ${String(list.length)}.`);
  return found;
}

/** Captions an edit names, each of them once. */
function named(find: Lookup, ids: readonly string[]): Caption[] {
  if (new Set(ids).size !== ids.length) throw new EditRefused('A caption is named twice in one change.');
  return ids.map((id) => existing(find, id));
}

function within(text: string, from: number, to: number): void {
  if (from < 0 || to < from || to > text.length) {
    throw new EditRefused(
      `Characters ${String(from)} to ${String(to)} lie outside a caption of ${String(text.length)} characters.`,
    );
  }
}

function validTimes(start: number, end: number): void {
  if (!Number.isInteger(start) || !Number.isInteger(end) || start < 0 || end < start) {
    throw new EditRefused(`A caption cannot run from ${String(start)} ms to ${String(end)} ms.`);
  }
}

/** Captions that change and keep their ids; the way back makes them as they were. */
const change = (before: readonly Caption[], after: readonly Caption[]): Effect => ({
  before,
  after,
  inverse: { type: 'setCaptions', captions: before },
});

const exchange = (before: readonly Caption[], after: readonly Caption[]): Effect => ({
  before,
  after,
  inverse: { type: 'replace', removed: after.map((c) => c.id), captions: before },
});

function spliced(found: Caption, { from, to, insert, keeps }: EditOf<'splice'>): Caption {
  within(found.text, from, to);
  return { ...spliceText(found, from, to, insert), proofed: keeps === true && found.proofed };
}

function split(edit: EditOf<'split'>, find: Lookup): Effect {
  const found = existing(find, edit.id);
  within(found.text, edit.at, edit.at);
  if (find(edit.newId)) throw new EditRefused(`Caption ${edit.newId} is already in the track.`);
  // Times that others have moved away from bend; a split is about the text.
  const [end, start] = [Math.max(found.start, edit.end), Math.max(found.start, edit.start)];
  const head = found.text.slice(0, edit.at).trimEnd().length;
  const tail = found.text.length - found.text.slice(edit.at).trimStart().length;
  const first: Caption = { ...found, ...sliceText(found, 0, head), ...splitWhole(found, 0), end };
  const second: Caption = {
    ...sliceText(found, Math.max(head, tail), found.text.length),
    ...splitWhole(found, 1),
    id: edit.newId,
    start,
    end: Math.max(start, found.end),
    timing: found.timing,
  };
  // Somebody had removed all of it, not only the first part.
  return exchange([found], [first, found.versions?.includes(null) ? withVersion(second, null) : second]);
}

function join(edit: EditOf<'join'>, find: Lookup): Effect {
  const found = existing(find, edit.id);
  const next = existing(find, edit.next);
  if (next === found) throw new EditRefused('A caption cannot be joined with itself.');
  const joined: Caption = {
    ...found,
    ...joinText(found, edit.between, next),
    ...joinWhole(found, next),
    start: Math.min(found.start, next.start),
    end: Math.max(found.end, next.end),
  };
  return exchange([found, next], [(next.versions ?? []).reduce(withVersion, joined)]);
}

/**
 * Versions nobody has chosen between yet go over to the captions that hold the letters, else to the one
 * at the same time. That a caption had been removed goes with all of its letters.
 */
function carryVersions(before: readonly Caption[], after: readonly Caption[]): readonly Caption[] {
  const carried = after.flatMap((c) => c.versions ?? []);
  const isCarried = (version: Version): boolean =>
    carried.some((v) => v?.id === version?.id && (!v || !version || holdsAll(v.text, version.text)));
  const letters = letterMap(before.map(withoutVersions), after);
  const result = new Map(after.map((c) => [c.id, c]));
  for (const old of before) {
    const atThatTime = after.find((c) => c.end > old.start) ?? after[0];
    const held = letters.holders(old.id);
    const holders = held.length > 0 ? held : atThatTime ? [atThatTime] : [];
    for (const version of old.versions ?? []) {
      if (isCarried(version)) continue;
      for (const { id } of version === null ? holders : holders.slice(0, 1)) {
        const holder = result.get(id);
        if (holder) result.set(id, withVersion(holder, version));
      }
    }
  }
  return after.map((c) => result.get(c.id) ?? c);
}

function exchangeMany(removed: readonly string[], added: readonly Caption[], find: Lookup): Effect {
  const gone = new Set(removed);
  const before = [...gone].map((id) => {
    const found = find(id);
    if (!found) throw new EditRefused('Some of the captions to be replaced are no longer in the track.');
    return found;
  });
  const ids = new Set<string>();
  for (const c of added) {
    if (ids.has(c.id) || (!gone.has(c.id) && find(c.id)))
      throw new EditRefused(`Caption ${c.id} is already in the track.`);
    ids.add(c.id);
    validTimes(c.start, c.end);
  }
  return exchange(before, before.some((c) => c.versions) ? carryVersions(before, added) : added);
}

const movedWord = (w: WordRange, pieces: EditOf<'retime'>['pieces']): WordRange => {
  const start = along(pieces, w[2]);
  return [w[0], w[1], start, Math.max(start, along(pieces, w[3])), w[4], w[5], w[6]];
};

/** Words with their times moved along pieces. */
export const movedWords = (words: readonly WordRange[], pieces: EditOf<'retime'>['pieces']): readonly WordRange[] =>
  pieces.length === 0 || words.length === 0 ? words : words.map((w) => movedWord(w, pieces));

/** Whether all letters of one text are in another, in their order. */
function holdsAll(text: string, letters: string): boolean {
  let at = 0;
  for (const letter of letters) {
    if (letter.trim() === '') continue;
    at = text.indexOf(letter, at) + 1;
    if (at === 0) return false;
  }
  return true;
}

/**
 * A caption with one version more. The same caption for a second time takes the place of the first,
 * unless that holds letters which this one has not: then both are kept, the second under another id.
 */
export function withVersion(of: Caption, version: Version): Caption {
  const versions = of.versions ?? [];
  const before = versions.find((v) => v?.id === version?.id);
  if (version && before && !holdsAll(version.text, before.text))
    return withVersion(of, { ...version, id: `${version.id}~` });
  return withVersions(of, [...versions.filter((v) => v !== before), version]);
}

function chosen(edit: EditOf<'chooseVersion'>, found: Caption): Effect {
  if (edit.chosen === 'standing') return change([found], [withoutVersions(found)]);
  if (edit.chosen === 'removed') return exchange([found], []);
  const wanted = edit.chosen.slice('version:'.length);
  const version = found.versions?.find((v) => v?.id === wanted);
  if (!version) throw new EditRefused(`Caption ${edit.id} has no such version any more.`);
  return change([found], [{ ...version, id: found.id }]);
}

/** An edit of one caption that stays. */
function one(find: Lookup, id: string, to: (found: Caption) => Caption): Effect {
  const found = existing(find, id);
  return change([found], [to(found)]);
}

/** An edit of several captions that stay, each with what is said of it. */
function several<T extends { readonly id: string }>(
  find: Lookup,
  said: readonly T[],
  to: (found: Caption, said: T) => Caption,
): Effect {
  const before = named(
    find,
    said.map((c) => c.id),
  );
  return change(
    before,
    said.map((of, i) => to(at(before, i), of)),
  );
}

function proof({ ids, proofed }: EditOf<'proof'>, find: Lookup): Effect {
  const before = named(find, ids).filter((c) => c.proofed !== proofed);
  return {
    before,
    after: before.map((c) => ({ ...c, proofed })),
    inverse: { type: 'proof', ids: before.map((c) => c.id), proofed: !proofed },
  };
}

type Singles = { readonly [K in Single['type']]: EditOf<K> };

/** What each kind of edit does. */
const effects: { readonly [K in keyof Singles]: (edit: Singles[K], find: Lookup) => Effect } = {
  splice: (edit, find) => one(find, edit.id, (found) => spliced(found, edit)),
  setTimes({ id, start, end }, find) {
    validTimes(start, end);
    return one(find, id, (found) => ({ ...found, start, end, timing: 'set' }));
  },
  mark: ({ id, from, to, kind, value, on }, find) =>
    one(find, id, (found) => {
      within(found.text, from, to);
      return markText(found, from, to, kind, value, on);
    }),
  letBe: ({ id, rule, entry }, find) =>
    one(find, id, (found) => {
      const rest = found.letBe.filter((e) => e.rule !== rule);
      return { ...found, letBe: entry ? [...rest, { ...entry, rule }] : rest };
    }),
  setSpeaker: ({ id, speakers }, find) =>
    one(find, id, (found) => {
      for (const s of speakers) within(found.text, s.from, s.to);
      return { ...found, speakers };
    }),
  setPlacement: ({ id, placement }, find) => one(find, id, (found) => ({ ...found, placement })),
  comeBack: ({ id, note }, find) => one(find, id, (found) => ({ ...found, comeBack: note })),
  keepVersion: ({ id, caption }, find) => one(find, id, (found) => withVersion(found, caption)),
  chooseVersion: (edit, find) => chosen(edit, existing(find, edit.id)),
  retime: ({ captions, pieces }, find) =>
    several(find, captions, (found, { start, end, timing }) => {
      validTimes(start, end);
      return { ...found, start, end, timing, words: movedWords(found.words, pieces) };
    }),
  setWords: ({ captions }, find) =>
    several(find, captions, (found, { words }) => {
      for (const w of words) within(found.text, w[0], w[1]);
      return { ...found, words };
    }),
  setCaptions({ captions }, find) {
    for (const c of captions) validTimes(c.start, c.end);
    return several(find, captions, (_, caption) => caption);
  },
  proof,
  split,
  join,
  insert: ({ captions }, find) => exchangeMany([], captions, find),
  remove: ({ ids }, find) => exchangeMany(ids, [], find),
  replace: ({ removed, captions }, find) => exchangeMany(removed, captions, find),
};

const effectOfKind = <K extends keyof Singles>(kind: K, edit: Singles[K], find: Lookup): Effect =>
  effects[kind](edit, find);

/**
 * What an edit does.
 * @param find looks up captions of the track the edit is made on
 * @throws {EditRefused} when the edit does not fit, with a sentence saying why
 */
export const effectOf = (edit: Single, find: Lookup): Effect => effectOfKind(edit.type, edit, find);
