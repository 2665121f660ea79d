/** What waits, sent a batch at a time; what others did, asked for where nothing waits. */
import { ApiError, sentence } from '../../../core/contract/api-error.ts';
import { EditRefused } from '../../../core/model/edits.ts';
import { nextBatch } from './batches.ts';
import { isFinal, isMissing, isOtherHistory } from './log.ts';
import { enter, rest, wait } from './resting.ts';
import { andThen, editsOf, lineOf, stepTo, type Step, type SyncModel } from './sync-model.ts';
import { refused, type SyncSources } from './taking-in.ts';

/** First pause before the server is asked again, and the longest, in ms. */
const [firstPause, longestPause] = [1000, 30_000];

function sendNext(model: SyncModel, { newId }: SyncSources): Step {
  const { confirmed } = model;
  if (!confirmed) return rest(model);
  const { id, edits: sent } = nextBatch(model.own, newId, model.oneByOne > 0 ? 1 : undefined);
  const own = model.own.map((w, i) => sent[i] ?? w);
  return andThen(enter({ ...model, own, sent }, 'sending'), (sending) =>
    stepTo(sending, [
      {
        type: 'send',
        line: lineOf(sending),
        edits: sent,
        batch: { id, base: confirmed.edit, after: confirmed.batch, edits: editsOf(sent) },
      },
    ]),
  );
}

/** Sends what waits, or asks for what others did. */
function deliver(model: SyncModel, sources: SyncSources): Step {
  const { confirmed } = model;
  if (!confirmed || model.ended || model.state === 'blocked') return rest(model);
  if (model.own.length > 0) return sendNext(model, sources);
  return stepTo({ ...model, latest: 0 }, [{ type: 'ask', edit: confirmed.edit, batch: confirmed.batch }]);
}

/** The pause is over: it is asked now, or once more after what is under way. */
export function due(model: SyncModel, sources: SyncSources): Step {
  if (model.ended) return stepTo(model);
  return model.delivering === 'no'
    ? deliver({ ...model, delivering: 'yes' }, sources)
    : stepTo({ ...model, delivering: 'again' });
}

/** After an answer: on with what waits, or at rest. */
export function goOn(model: SyncModel, sources: SyncSources): Step {
  if (model.delivering === 'no') return stepTo(model);
  if (model.own.length > 0) return sendNext(model, sources);
  // Others were at it right after the batch, and before all was told to be saved.
  const more = model.delivering === 'again' || model.latest > (model.confirmed?.edit ?? 0);
  return andThen(enter({ ...model, failures: 0 }, 'idle'), (idle) =>
    more && !idle.ended ? deliver({ ...idle, delivering: 'yes' }, sources) : rest(idle),
  );
}

/** The server could not be asked, or will not have it. */
export function failed(model: SyncModel, error: unknown, sources: SyncSources): Step {
  if (model.ended) return rest(model);
  if (isOtherHistory(error) || error instanceof EditRefused)
    return andThen(enter({ ...model, sent: [] }, 'blocked'), rest);
  if (isFinal(error) && model.sent.length > 0)
    return andThen(refused(model, sentence(error), isMissing(error), sources), (next) => deliver(next, sources));
  if (isMissing(error)) return andThen(enter({ ...model, sent: [] }, 'missing'), rest);
  const failures = model.failures + 1;
  const holdUp = error instanceof ApiError && error.status > 0 ? error : null;
  const pause = Math.min(longestPause, firstPause * 2 ** (failures - 1)) * (0.5 + sources.random() / 2);
  return andThen(enter({ ...model, sent: [], failures, holdUp }, 'offline'), (offline) =>
    andThen(stepTo(offline, wait(offline, pause)), rest),
  );
}
