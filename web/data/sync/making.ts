/** Edits made by hand, taken back and made again: shown at once, written down, and sent when typing pauses. */
import { apply } from '../../../core/model/apply.ts';
import { merge, touches, type Edit } from '../../../core/model/edits.ts';
import { redo, remember, undo, type Reversal } from '../../../core/model/history.ts';
import type { WaitingEdit } from './outbox.ts';
import {
  tellBeside,
  tellReversed,
  tellCaptions,
  tellSkipped,
  tellState,
  type SyncEffect,
  type SyncInput,
} from './sync-effects.ts';
import { lineOf, stepTo, type Step, type SyncModel } from './sync-model.ts';
import { wait } from './resting.ts';

/** How long typing gathers before it is sent, in ms. */
const gather = 350;
/** Typing goes on as one step over pauses up to this, in ms. */
const runsOnFor = 1500;

/** The edit waits, by itself or with the one before it, where that was not sent yet. */
function enqueue(model: SyncModel, edit: Edit, runsOn: boolean, said: SyncEffect): Step {
  const { own } = model;
  const last = own.at(-1);
  const together = runsOn && last?.batch === null ? merge(last.edit, edit) : null;
  const lastSeq = together ? model.lastSeq : model.lastSeq + 1;
  const waiting: WaitingEdit = last && together ? { ...last, edit: together } : { seq: lastSeq, edit, batch: null };
  return stepTo({ ...model, lastSeq, own: [...(together ? own.slice(0, -1) : own), waiting] }, [
    { type: 'put', line: lineOf(model), edits: [waiting] },
    said,
    tellState,
    ...(model.state === 'offline' ? [] : wait(model, gather)),
  ]);
}

/** An edit was made. */
export function made(model: SyncModel, input: Extract<SyncInput, { type: 'made' }>): Step {
  const { edit, joins, applied, beside, at } = input;
  const runsOn = joins === true && at - model.lastTyped < runsOnFor;
  const after: SyncModel = {
    ...model,
    history: remember(model.history, edit, applied.inverse, typeof joins === 'string' ? joins : runsOn, beside),
    shown: applied.captions,
    lastTyped: joins === true ? at : 0,
  };
  return enqueue(after, edit, runsOn, tellCaptions('hand', touches(edit)));
}

function reversed(
  model: SyncModel,
  by: 'undo' | 'redo',
  { history, edit, made: step, beside, skipped }: Reversal,
): Step {
  const after: SyncModel = { ...model, history, lastTyped: 0 };
  const done = edit
    ? enqueue({ ...after, shown: apply(model.shown, edit).captions }, edit, false, tellCaptions('undo', touches(edit)))
    : stepTo(after, [tellState]);
  return stepTo(done.model, [
    ...done.effects,
    ...(step ? [tellReversed(by, step)] : []),
    ...(beside ? [tellBeside(beside)] : []),
    ...(skipped > 0 ? [tellSkipped] : []),
  ]);
}

/** A step is taken back, or made again. */
export const takenBack = (model: SyncModel): Step => reversed(model, 'undo', undo(model.history, model.shown));
export const madeAgain = (model: SyncModel): Step => reversed(model, 'redo', redo(model.history, model.shown));
