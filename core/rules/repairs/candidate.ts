/** A change that may be a repair, and what it would make of the findings around it. */
import type { Caption } from '../../track/caption.ts';
import type { Edit } from '../../track/edits.ts';
import type { Finding, RuleContext, RuleId } from '../finding.ts';
import { findingsAt } from '../findings.ts';

/** Captions `[from, to)` of a track become others. */
export interface Candidate {
  readonly from: number;
  readonly to: number;
  readonly after: readonly Caption[];
  /** What it does, as in “Ends 0.4 s later.” */
  readonly says: string;
}

/** How bad the findings of a rule are: how many, and how far over in all. */
interface Weight {
  count: number;
  excess: number;
}
type Weights = ReadonlyMap<RuleId, Weight>;

const excessOf = ({ figures }: Finding): number => {
  const excess = Math.abs(figures.value - figures.limit);
  return Number.isFinite(excess) ? excess : 1e9;
};

/** A stretch of a track with its neighbours: captions `[from, to)` of the row are weighed. */
interface CaptionRun {
  readonly row: readonly Caption[];
  readonly from: number;
  readonly to: number;
}

/** The findings of a stretch, of one severity. */
function weigh({ row, from, to }: CaptionRun, context: RuleContext, severity: Finding['severity']): Weights {
  const weights = new Map<RuleId, Weight>();
  for (let i = from; i < to; i++) {
    for (const finding of findingsAt(row, i, context)) {
      if (finding.severity !== severity) continue;
      const weight = weights.get(finding.rule) ?? { count: 0, excess: 0 };
      weight.count++;
      weight.excess += excessOf(finding);
      weights.set(finding.rule, weight);
    }
  }
  return weights;
}

/** What a change reaches: the captions it changes, and one on either side, whose findings tell of them too. */
function rowsOf(
  captions: readonly Caption[],
  change: Candidate,
): { readonly old: CaptionRun; readonly now: CaptionRun } {
  const lead = captions.slice(Math.max(0, change.from - 2), change.from);
  const trail = captions.slice(change.to, change.to + 2);
  const rowOf = (middle: readonly Caption[]): CaptionRun => ({
    row: [...lead, ...middle, ...trail],
    from: Math.max(0, lead.length - 1),
    to: lead.length + middle.length + Math.min(1, trail.length),
  });
  return { old: rowOf(captions.slice(change.from, change.to)), now: rowOf(change.after) };
}

const countOf = (weights: Weights): number => [...weights.values()].reduce((sum, w) => sum + w.count, 0);

/** Whether no rule has more findings than before, and none of them is worse. */
function noWorse(before: Weights, after: Weights): boolean {
  for (const [rule, weight] of after) {
    const was = before.get(rule);
    if (!was || weight.count > was.count || weight.excess > was.excess + 1e-6) return false;
  }
  return true;
}

/**
 * Whether a change is a repair of a rule: no must-finding comes or gets worse, and of the rule's own
 * findings there are fewer; where it is advice that goes, no more advice comes in its place.
 */
export function isRepair(captions: readonly Caption[], change: Candidate, rule: RuleId, context: RuleContext): boolean {
  const { old, now } = rowsOf(captions, change);
  const [mustBefore, mustAfter] = [weigh(old, context, 'must'), weigh(now, context, 'must')];
  if (!noWorse(mustBefore, mustAfter)) return false;
  const fewer = (before: Weights, after: Weights): boolean =>
    (after.get(rule)?.count ?? 0) < (before.get(rule)?.count ?? 0);
  if (fewer(mustBefore, mustAfter)) return true;
  const [before, after] = [weigh(old, context, 'should'), weigh(now, context, 'should')];
  return fewer(before, after) && countOf(after) < countOf(before);
}

/** A change as an edit: times alone where only they change, so that others' work on the words stands. */
export function editOf(before: readonly Caption[], after: readonly Caption[]): Edit {
  const known = new Map(before.map((c) => [c.id, c]));
  const onlyTimes = (c: Caption): boolean => {
    const was = known.get(c.id);
    return was?.text === c.text && was.marks === c.marks && was.letBe === c.letBe && was.words === c.words;
  };
  if (after.length === before.length && after.every(onlyTimes)) {
    const moved = after.filter((c) => c.start !== known.get(c.id)?.start || c.end !== known.get(c.id)?.end);
    const edits = moved.map(({ id, start, end }): Edit => ({ type: 'setTimes', id, start, end }));
    const [only] = edits;
    return only && edits.length === 1 ? only : { type: 'together', edits };
  }
  const [was, now] = [before[0], after[0]];
  if (was && now && before.length === 1 && after.length === 1 && was.id === now.id)
    return { type: 'setCaptions', captions: [now] };
  return { type: 'replace', removed: before.map((c) => c.id), captions: after };
}
