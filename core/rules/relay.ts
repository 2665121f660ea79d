/** A track laid out anew under a house style, where it does not meet the style as it is. */
import { reflow } from '../layout/reflow.ts';
import type { Caption } from '../track/caption.ts';
import type { Edit } from '../track/edits.ts';
import type { Ground, RuleId } from './finding.ts';
import { findingsAt } from './findings.ts';

/** What laying out anew can mend. */
const mendable: ReadonlySet<RuleId> = new Set<RuleId>([
  'line-too-long',
  'too-many-lines',
  'too-many-words',
  'phrase-parted',
  'one-line-enough',
  'too-fast',
  'too-many-wpm',
  'too-short',
  'too-long',
]);

export interface Relaid {
  readonly captions: readonly Caption[];
  /** All of it as one step; null where nothing has to change. */
  readonly edit: Edit | null;
}

/**
 * Lays captions out anew: runs of those that do not meet the style, and with `all` every one. Captions
 * that meet the style stay as they are.
 */
export function relay(captions: readonly Caption[], ground: Ground, newId: () => string, all = false): Relaid {
  const departs = (c: Caption, i: number): boolean =>
    all || findingsAt(c, captions[i + 1] ?? null, ground).some((f) => f.severity === 'must' && mendable.has(f.rule));
  const out: Caption[] = [];
  const removed: string[] = [];
  const added: Caption[] = [];
  for (let i = 0; i < captions.length;) {
    const here = captions[i];
    if (!here) break;
    if (!departs(here, i)) {
      out.push(here);
      i++;
      continue;
    }
    let end = i + 1;
    for (let c = captions[end]; c && departs(c, end); c = captions[end]) end++;
    const run = captions.slice(i, end);
    const laid = inside(reflow(run, ground, newId), run, captions[end] ?? null, ground);
    out.push(...laid);
    removed.push(...run.map((c) => c.id));
    added.push(...laid);
    i = end;
  }
  return { captions: out, edit: removed.length === 0 ? null : { type: 'replace', removed, captions: added } };
}

/** The last caption of a run leaves the next one its place. */
function inside(laid: readonly Caption[], run: readonly Caption[], next: Caption | null, ground: Ground): Caption[] {
  const most = Math.min(next?.start ?? Infinity, ground.length ?? Infinity);
  return laid.map((c, i) =>
    i === laid.length - 1
      ? { ...c, end: Math.max(c.start + 1, Math.min(Math.max(c.end, run.at(-1)?.end ?? 0), most)) }
      : c,
  );
}
