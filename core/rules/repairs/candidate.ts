/** A change that may be a repair, and what it would make of the findings around it. */
import type { Caption } from '../../model/caption.ts';
import { carriesSame } from '../../model/carried.ts';
import type { Edit } from '../../model/edits.ts';
import type { Finding, RuleContext, RuleId } from '../finding.ts';
import { findingsAt, noFindings } from '../findings.ts';

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
type Weights = Map<RuleId, Weight>;

const excessOf = ({ figures }: Finding): number => {
  const excess = Math.abs(figures.value - figures.limit);
  return Number.isFinite(excess) ? excess : 1e9;
};

/** What findings weigh, those that must go and advice apart. */
type Burden = Readonly<Record<Finding['severity'], Weights>>;

/** Findings of the caption at a place, looked for when asked. */
export type FindingsAt = (captions: readonly Caption[], i: number) => readonly Finding[];

/** Findings by caption, each looked for again only where the caption before it or after it is another. */
export function rememberedFindings(context: RuleContext): FindingsAt {
  const known = new WeakMap<Caption, { readonly around: readonly unknown[]; readonly findings: readonly Finding[] }>();
  return (captions, i) => {
    const caption = captions[i];
    if (!caption) return noFindings;
    const around = [captions[i - 1], captions[i + 1]];
    const last = known.get(caption);
    if (last && last.around[0] === around[0] && last.around[1] === around[1]) return last.findings;
    const findings = findingsAt(captions, i, context);
    known.set(caption, { around, findings });
    return findings;
  };
}

const nothing = (): Burden => ({ must: new Map(), should: new Map() });

/** Adds a finding to a burden. @returns what its rule weighs in it now */
function add(burden: Burden, finding: Finding): Weight {
  const weights = burden[finding.severity];
  const weight = weights.get(finding.rule) ?? { count: 0, excess: 0 };
  weight.count++;
  weight.excess += excessOf(finding);
  weights.set(finding.rule, weight);
  return weight;
}

const isWorse = (now: Weight, was: Weight | undefined): boolean =>
  !was || now.count > was.count || now.excess > was.excess + 1e-6;

/** The places of `[from, to)`, and one on either side, whose findings tell of them too; the neighbours come last. */
const reachOf = (from: number, to: number, length: number): number[] =>
  [...Array.from({ length: to - from }, (_, i) => from + i), from - 1, to].filter((i) => i >= 0 && i < length);

const countOf = (weights: Weights): number => [...weights.values()].reduce((sum, w) => sum + w.count, 0);

/**
 * Whether a change is a repair of a rule: no must-finding comes or gets worse, and of the rule's own
 * findings there are fewer; where it is advice that goes, no more advice comes in its place.
 * @param findingsBefore of the captions as they are
 */
export function isRepair(
  captions: readonly Caption[],
  { from, to, after }: Candidate,
  rule: RuleId,
  context: RuleContext,
  findingsBefore: FindingsAt,
): boolean {
  const old = nothing();
  for (const i of reachOf(from, to, captions.length))
    for (const finding of findingsBefore(captions, i)) add(old, finding);
  const lead = captions.slice(Math.max(0, from - 2), from);
  const row = [...lead, ...after, ...captions.slice(to, to + 2)];
  const now = nothing();
  for (const i of reachOf(lead.length, lead.length + after.length, row.length))
    for (const finding of findingsAt(row, i, context)) {
      const weight = add(now, finding);
      if (finding.severity === 'must' && isWorse(weight, old.must.get(finding.rule))) return false;
    }
  const fewer = (was: Weights, is: Weights): boolean => (is.get(rule)?.count ?? 0) < (was.get(rule)?.count ?? 0);
  return fewer(old.must, now.must) || (fewer(old.should, now.should) && countOf(now.should) < countOf(old.should));
}

/** A change as an edit: times alone where only they change, so that others' work on the words stands. */
export function editOfRepair(before: readonly Caption[], after: readonly Caption[]): Edit {
  const known = new Map(before.map((c) => [c.id, c]));
  const onlyTimes = (c: Caption): boolean => {
    const was = known.get(c.id);
    return was !== undefined && carriesSame(was, c, ['start', 'end']);
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
