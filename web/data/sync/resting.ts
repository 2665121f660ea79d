/** What a track on its way does where it does nothing: it waits, changes its state, or ends. */
import { tellState, type SyncEffect } from './sync-effects.ts';
import { stepTo, type Step, type SyncModel } from './sync-model.ts';
import type { SyncState } from './sync-needs.ts';

/** After this pause the server is asked, in ms; whatever has ended waits for nothing. */
export const wait = (model: SyncModel, ms: number): readonly SyncEffect[] =>
  model.ended ? [] : [{ type: 'wait', ms }];

export function enter(model: SyncModel, state: SyncState): Step {
  const keepsReason = state === 'offline' || state === 'sending';
  return stepTo(
    {
      ...model,
      state,
      holdUp: keepsReason ? model.holdUp : null,
      unwritten: model.own.length > 0 && model.unwritten,
    },
    [tellState],
  );
}

/** Nothing goes on. */
export const end = (model: SyncModel): Step =>
  model.ended ? stepTo(model) : stepTo({ ...model, ended: true }, [{ type: 'end' }]);

/** The server is not asked any more for now; where nobody looks and nothing waits, that was all. */
export function rest(model: SyncModel): Step {
  const resting: SyncModel = { ...model, delivering: 'no' };
  return !model.watched && model.own.length === 0 && model.state !== 'blocked' ? end(resting) : stepTo(resting);
}
