/** The versions of a track: states of its log worth going back to, and what changed up to each. */
import { applyAll } from './apply.ts';
import type { Caption } from './caption.ts';
import { touches, type Edit } from './edits.ts';

/** An edit as it stands in the log. */
export interface LoggedEdit {
  readonly number: number;
  /** When it was taken, in ms since 1970. */
  readonly at: number;
  readonly edit: Edit;
}

/** How many captions differ between two states, and in what. One that was reworded and moved counts in both. */
export interface VersionChanges {
  readonly added: number;
  readonly removed: number;
  readonly reworded: number;
  readonly retimed: number;
  readonly proofed: number;
  /** In anything else: speaker, place, marks, what is let be, the times of words. */
  readonly otherwise: number;
}

/** A state of a track, with what changed since the version before it. */
export interface TrackVersion {
  /** The number of its last edit. */
  readonly edit: number;
  /** When that was made, in ms since 1970. */
  readonly at: number;
  readonly captions: number;
  readonly changed: VersionChanges;
}

/** After so long without an edit the next one begins another version, in ms: half an hour. */
export const pauseBetweenVersions = 30 * 60_000;
/** An edit of so many captions at once, other than proofing, is a version by itself. */
const large = 20;

const isLarge = (edit: Edit): boolean => edit.type !== 'proof' && touches(edit).length >= large;

/** What differs between two states of a track. */
export function changedBetween(before: readonly Caption[], after: readonly Caption[]): VersionChanges {
  const was = new Map(before.map((c) => [c.id, c]));
  const found = { added: 0, removed: 0, reworded: 0, retimed: 0, proofed: 0, otherwise: 0 };
  for (const now of after) {
    const then = was.get(now.id);
    was.delete(now.id);
    if (!then) found.added++;
    else if (then !== now) {
      const reworded = then.text !== now.text;
      const retimed = then.start !== now.start || then.end !== now.end;
      const proofed = now.proofed && !then.proofed;
      if (reworded) found.reworded++;
      if (retimed) found.retimed++;
      if (proofed) found.proofed++;
      if (!reworded && !retimed && !proofed && JSON.stringify(then) !== JSON.stringify(now)) found.otherwise++;
    }
  }
  return { ...found, removed: was.size };
}

/**
 * The versions in a log, oldest first. One ends before a pause of half an hour, before and after an edit of many
 * captions at once, and at every edit that is marked; the last is the track as it stands.
 * @param log edits from the first on, in order
 * @param marked numbers of edits whose state is a version whatever comes around it, as one that was handed over
 * @throws {EditRefused} when an edit does not fit
 */
export async function trackVersions(
  log: Iterable<LoggedEdit> | AsyncIterable<LoggedEdit>,
  marked: ReadonlySet<number>,
): Promise<readonly TrackVersion[]> {
  const versions: TrackVersion[] = [];
  let before: readonly Caption[] = [];
  let run: Edit[] = [];
  let last: LoggedEdit | null = null;
  const close = (): void => {
    if (!last || run.length === 0) return;
    const captions = applyAll(before, run);
    versions.push({
      edit: last.number,
      at: last.at,
      captions: captions.length,
      changed: changedBetween(before, captions),
    });
    before = captions;
    run = [];
  };
  for await (const step of log) {
    if (last && (step.at - last.at >= pauseBetweenVersions || isLarge(step.edit) || isLarge(last.edit))) close();
    run.push(step.edit);
    last = step;
    if (marked.has(step.number)) close();
  }
  close();
  return versions;
}

/** The edit that makes a track what it was in another state; null where it is that already. */
export function backTo(now: readonly Caption[], then: readonly Caption[]): Edit | null {
  const standing = new Map(now.map((c) => [c.id, JSON.stringify(c)]));
  const wanted = new Map(then.map((c) => [c.id, JSON.stringify(c)]));
  const removed = now.flatMap(({ id }) => (wanted.get(id) === standing.get(id) ? [] : [id]));
  const captions = then.filter(({ id }) => wanted.get(id) !== standing.get(id));
  return removed.length + captions.length === 0 ? null : { type: 'replace', removed, captions };
}
