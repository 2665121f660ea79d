/** Work on whole tracks that a worker does, so that the page stays live meanwhile. */
import { pairCaptions, type Paired } from '../../../core/timing/borrow/borrow.ts';
import { alignTracks } from '../../../core/compare/align-tracks.ts';
import { comparisonOf, type Comparison } from '../../../core/compare/compare.ts';
import { differencesOf, type Difference } from '../../../core/compare/differences.ts';
import type { Finding, RuleContext, RuleId } from '../../../core/rules/finding.ts';
import { findIn, findingsOfAll } from '../../../core/rules/finder.ts';
import { reflowCaptions, type ReflowResult, type ReflowRequest } from '../../../core/operations/reflow-captions.ts';
import { repairAll, type Repaired } from '../../../core/rules/repairs/repairs.ts';
import type { Caption } from '../../../core/model/caption.ts';

/** What every task is done on. */
export interface TaskInput {
  readonly captions: readonly Caption[];
  readonly context: RuleContext;
}

/** What is request for and what is answered, by the name of the task. */
export interface Tasks {
  readonly findings: { readonly request: null; readonly answer: readonly (readonly Finding[])[] };
  readonly repair: { readonly request: RuleId | 'every'; readonly answer: Omit<Repaired, 'captions'> };
  readonly reflow: {
    readonly request: ReflowRequest;
    readonly answer: Omit<ReflowResult, 'captions'> & { readonly must: number };
  };
  /** Against another track; the one that was sent is the reference. */
  readonly compare: {
    readonly request: readonly Caption[];
    readonly answer: { readonly figures: Comparison; readonly differences: readonly Difference[] };
  };
  /** With the track that is to give its times. */
  readonly pair: { readonly request: readonly Caption[]; readonly answer: Paired };
}
export type TaskName = keyof Tasks;

/** A task for the captions that were sent. */
export interface TaskOrder<T extends TaskName = TaskName> {
  readonly task: T;
  readonly context: RuleContext;
  readonly request: Tasks[T]['request'];
}

const newId = (): string => crypto.randomUUID();

const workers: {
  readonly [T in TaskName]: (material: TaskInput, request: Tasks[T]['request']) => Tasks[T]['answer'];
} = {
  findings: ({ captions, context }) => findingsOfAll(captions, context),
  repair({ captions, context }, rule) {
    const wanted = rule === 'every' ? undefined : (f: Finding): boolean => f.rule === rule;
    const { edit, done, left } = repairAll(captions, context, newId, wanted);
    return { edit, done, left };
  },
  reflow({ captions, context }, request) {
    const { captions: laid, edit, runs } = reflowCaptions(captions, context, newId, request);
    return { edit, runs, must: findIn(laid, context).must };
  },
  compare({ captions }, other) {
    const aligned = alignTracks(captions, other);
    return { figures: comparisonOf(aligned), differences: differencesOf(aligned) };
  },
  pair: ({ captions }, giving) => pairCaptions(captions, giving),
};

/** Does one task. */
export const perform = <T extends TaskName>(
  { task, request, context }: TaskOrder<T>,
  captions: readonly Caption[],
): Tasks[T]['answer'] => workers[task]({ captions, context }, request);
