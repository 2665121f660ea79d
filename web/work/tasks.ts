/** Work on whole tracks that a worker does, so that the page stays live meanwhile. */
import type { Finding, Ground, RuleId } from '../../core/rules/finding.ts';
import { findIn, findingsOfAll } from '../../core/rules/finder.ts';
import { relay, type Relaid, type Relay } from '../../core/operations/reflow-captions.ts';
import { repairAll, type Repaired } from '../../core/rules/repairs/repairs.ts';
import type { Caption } from '../../core/track/caption.ts';

/** What every task is done on. */
export interface Material {
  readonly captions: readonly Caption[];
  readonly ground: Ground;
}

/** What is asked for and what is answered, by the name of the task. */
export interface Tasks {
  readonly findings: { readonly asked: null; readonly answer: readonly (readonly Finding[])[] };
  readonly repair: { readonly asked: RuleId | 'every'; readonly answer: Omit<Repaired, 'captions'> };
  readonly relay: { readonly asked: Relay; readonly answer: Omit<Relaid, 'captions'> & { readonly must: number } };
}
export type TaskName = keyof Tasks;

/** A task for the captions that were sent. */
export interface Order<T extends TaskName = TaskName> {
  readonly id: number;
  readonly task: T;
  readonly ground: Ground;
  readonly asked: Tasks[T]['asked'];
}

const newId = (): string => crypto.randomUUID();

const workers: {
  readonly [T in TaskName]: (material: Material, asked: Tasks[T]['asked']) => Tasks[T]['answer'];
} = {
  findings: ({ captions, ground }) => findingsOfAll(captions, ground),
  repair({ captions, ground }, rule) {
    const wanted = rule === 'every' ? undefined : (f: Finding): boolean => f.rule === rule;
    const { edit, done, left } = repairAll(captions, ground, newId, wanted);
    return { edit, done, left };
  },
  relay({ captions, ground }, asked) {
    const { captions: laid, edit, runs } = relay(captions, ground, newId, asked);
    return { edit, runs, must: findIn(laid, ground).must };
  },
};

/** Does one task. */
export const perform = <T extends TaskName>(
  { task, asked, ground }: Order<T>,
  captions: readonly Caption[],
): Tasks[T]['answer'] => workers[task]({ captions, ground }, asked);
