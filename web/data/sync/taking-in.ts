/** What the log says, taken in: what others did, what it has taken, and what it will not have. */
import { apply, applyAll } from '../../../core/model/apply.ts';
import { touches, type Edit } from '../../../core/model/edits.ts';
import { carry } from '../../../core/model/history.ts';
import type { Since } from '../../../core/model/logged.ts';
import { partsOf } from '../../../core/model/merge/parts.ts';
import { transform } from '../../../core/model/merge/transform.ts';
import { partsOfAll, rebase } from '../../../core/model/rebase.ts';
import type { SetAside, WaitingEdit } from './outbox.ts';
import { tellAside, tellOthers } from './sync-effects.ts';
import { editsOf, lineOf, stepTo, type Step, type SyncModel } from './sync-model.ts';
import type { SyncNeeds } from './sync-needs.ts';

/** Where names, moments and chance come from. */
export type SyncSources = Pick<SyncNeeds, 'newId' | 'now' | 'random'>;

/** Edits that go no further, with the reason as a sentence. */
export const asideOf = (
  track: string,
  edits: readonly Edit[],
  reason: string,
  { newId, now }: SyncSources,
): SetAside => ({ id: newId(), track, reason, at: now(), edits });

/** Edits that do not fit any more on what others made; undefined where there are none. */
export function unfitting(
  track: string,
  edits: readonly WaitingEdit[],
  indexes: readonly number[],
  sources: SyncSources,
): SetAside | undefined {
  const left = indexes.flatMap((index) => edits[index]?.edit ?? []);
  return left.length > 0 ? asideOf(track, left, 'Others have changed what it was made on.', sources) : undefined;
}

const withAside = (asides: readonly SetAside[], aside: SetAside | undefined): readonly SetAside[] =>
  aside ? [...asides, aside] : asides;

/**
 * Takes in what others did: own edits and the history are carried over it.
 * @throws {EditRefused} where it does not fit what the log was thought to have
 */
export function catchUp(model: SyncModel, { edit, batch, since }: Since, sources: SyncSources): Step {
  const { confirmed, own, shown } = model;
  if (!confirmed || since.length === 0) return stepTo(model);
  const others = applyAll(confirmed.captions, since);
  const result = rebase(confirmed.captions, editsOf(own), others, partsOfAll(since));
  const aside = unfitting(model.track, own, result.refused, sources);
  let { lastSeq } = model;
  const after: SyncModel = {
    ...model,
    history: carry(model.history, shown, result.theirs),
    confirmed: { ...confirmed, edit, batch, captions: others },
    asides: withAside(model.asides, aside),
    own: result.edits.map(({ edit: mine, index }) => ({ seq: own[index]?.seq ?? ++lastSeq, edit: mine, batch: null })),
    shown: result.captions,
    lastTyped: 0,
  };
  return stepTo({ ...after, lastSeq }, [
    { type: 'replace', line: lineOf(after), edits: after.own, aside },
    ...tellOthers(shown, after.shown, since.flatMap(touches)),
    ...(aside ? [tellAside] : []),
  ]);
}

/** What was sent is in the log up to this edit: the outbox lets go of it. */
export function accepted(model: SyncModel, batch: string, edit: number): Step {
  const { confirmed, sent } = model;
  if (!confirmed) return stepTo(model);
  const after: SyncModel = {
    ...model,
    confirmed: { ...confirmed, edit, batch, captions: applyAll(confirmed.captions, editsOf(sent)) },
    own: model.own.slice(sent.length),
    sent: [],
    oneByOne: Math.max(0, model.oneByOne - sent.length),
    failures: 0,
  };
  return stepTo(after, [{ type: 'let-go', line: lineOf(after), seqs: sent.map((w) => w.seq) }]);
}

/** The track itself is not there any more: nothing of it can be made. */
function refusedWhole(model: SyncModel, reason: string, sources: SyncSources): Step {
  const aside = asideOf(model.track, editsOf(model.own), reason, sources);
  return stepTo({ ...model, own: [], asides: withAside(model.asides, aside) }, [
    { type: 'replace', line: lineOf(model), edits: [], aside },
    tellAside,
  ]);
}

/** The first edit is set aside with what cannot be made without it; the rest goes on as if it had not been made. */
function refusedAlone(model: SyncModel, first: WaitingEdit, reason: string, sources: SyncSources): Step {
  const { confirmed, shown } = model;
  if (!confirmed) return stepTo(model);
  const applied = apply(confirmed.captions, first.edit);
  const rest = model.own.slice(1);
  const without = transform(applied.captions, editsOf(rest), partsOf(applied.inverse), 'drop');
  const lost = editsOf(rest.filter((_, i) => !without.own[i]));
  const aside = asideOf(model.track, [first.edit, ...lost], reason, sources);
  const own = rest.flatMap((w, i): readonly WaitingEdit[] => {
    const edit = without.own[i];
    return edit ? [{ ...w, edit, batch: null }] : [];
  });
  const after: SyncModel = {
    ...model,
    history: carry(model.history, shown, without.theirs),
    own,
    asides: withAside(model.asides, aside),
    shown: applyAll(confirmed.captions, editsOf(own)),
    oneByOne: 0,
  };
  return stepTo(after, [
    { type: 'replace', line: lineOf(after), edits: own, aside },
    ...tellOthers(shown, after.shown, [...touches(first.edit), ...lost.flatMap(touches)]),
    tellAside,
  ]);
}

/**
 * The log will not have what was sent. Of several edits each is sent by itself; a single one is set aside.
 * @param reason as a sentence
 * @param whole whether the track is not there any more
 */
export function refused(model: SyncModel, reason: string, whole: boolean, sources: SyncSources): Step {
  const { sent } = model;
  const [first] = sent;
  const after: SyncModel = { ...model, sent: [] };
  if (!first) return stepTo(after);
  if (whole) return refusedWhole(after, reason, sources);
  if (sent.length === 1) return refusedAlone(after, first, reason, sources);
  const own = model.own.map((w, i) => (i < sent.length ? { ...w, batch: null } : w));
  return stepTo({ ...after, own, oneByOne: sent.length });
}
