/** A track on its way begins: the log is read, and edits of pages that are gone become edits of this one. */
import { rebase, partsOfAll } from '../../../core/model/rebase.ts';
import { sentence } from '../../../core/contract/api-error.ts';
import { withoutDelivered } from './left-edits.ts';
import { isOtherHistory } from './log.ts';
import type { WaitingEdit, WaitingLine } from './outbox.ts';
import type { SyncInput } from './sync-effects.ts';
import { editsOf, lineOf, type SyncModel } from './sync-model.ts';
import type { SyncNeeds } from './sync-needs.ts';
import { asideOf, unfitting } from './taking-in.ts';

/** The model as it is now, and what happens to it. */
export interface SyncRun {
  readonly model: () => SyncModel;
  readonly handle: (input: SyncInput) => void;
}

/**
 * What a page had sent is offered again as it was, so that the log tells whether it has it; the rest is
 * carried over what has come since its base.
 */
async function adopt(left: WaitingLine, { model, handle }: SyncRun, needs: SyncNeeds): Promise<void> {
  const { log, outbox } = needs;
  const { track } = model();
  const { base, after, edits, elsewhere } = await withoutDelivered(log, track, left);
  try {
    if (elsewhere !== null) throw elsewhere;
    let theirs = await log.since(track, base, after);
    const start = (await log.load(track, base)).captions;
    // Others may go on working meanwhile.
    for (;;) {
      const { confirmed } = model();
      if (!confirmed) return;
      if (theirs.edit === confirmed.edit) break;
      handle({ type: 'others', news: await log.since(track, confirmed.edit, confirmed.batch) });
      theirs = await log.since(track, base, after);
    }
    const { shown, own, lastSeq } = model();
    const result = rebase(start, editsOf(edits), shown, partsOfAll([...theirs.since, ...editsOf(own)]));
    const fresh = result.edits.map(({ edit }, i): WaitingEdit => ({ seq: lastSeq + 1 + i, edit, batch: null }));
    const aside = unfitting(track, edits, result.refused, needs);
    if (await outbox.adopt(left, lineOf(model()), fresh, aside))
      handle({ type: 'adopted', edits: fresh, captions: result.captions });
  } catch (error) {
    if (!isOtherHistory(error)) throw error;
    await outbox.adopt(left, lineOf(model()), [], asideOf(track, editsOf(edits), sentence(error), needs));
  }
}

/** Takes over what pages that are gone have left, and this one where an earlier opening of it did not come to its end. */
async function adoptLeft(run: SyncRun, needs: SyncNeeds): Promise<void> {
  const { track, client } = run.model();
  const alive = await needs.alive();
  const lines = await needs.outbox.lines(track);
  const before = lines.find((left) => left.client === client);
  // Its own line first: it stands on a base of its own, and whatever is written from now on has a later number.
  run.handle({ type: 'numbered', lastSeq: before?.edits.at(-1)?.seq ?? 0 });
  if (before) await adopt(before, run, needs);
  for (const left of lines) if (left !== before && !alive(left.client)) await adopt(left, run, needs);
}

/** @throws {ApiError} when the track cannot be had */
export async function openLine(run: SyncRun, needs: SyncNeeds): Promise<void> {
  const { track } = run.model();
  try {
    run.handle({ type: 'loaded', track: await needs.log.load(track) });
    await adoptLeft(run, needs);
    run.handle({ type: 'opened', asides: await needs.outbox.asides(track) });
  } catch (error) {
    // Nothing goes on of an opening that failed: what it had taken over is in the outbox, for the next.
    run.handle({ type: 'ended' });
    throw error;
  }
}
