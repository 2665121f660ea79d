/**
 * A track on its way between this page and the server's log.
 *
 * What is shown is always `confirmed` (a state of the log) with the own waiting edits on top. An edit is
 * shown at once, written into the outbox, then sent; only when the log has it does the outbox let go.
 * Where others were first, the own edits are carried over theirs and sent again.
 *
 * Invariants:
 * - The own edits are in the outbox in the order in which they were made, on the edit of the log that
 *   `confirmed` stands at; both change in one transaction.
 * - Edits that have been sent keep the batch they were sent in until the server has said whether it has
 *   that batch, so that nothing is taken twice.
 * - What the server will not have is set aside, never dropped; the rest goes on without it.
 * - Leaving drops nothing: it goes on until nothing waits.
 */
import { applyAll, apply, type Applied } from '../../../core/model/apply.ts';
import type { Caption, Track } from '../../../core/model/caption.ts';
import { EditRefused, merge, touches, type Edit } from '../../../core/model/edits.ts';
import {
  carry,
  noHistory,
  redo,
  remember,
  undo,
  type Beside,
  type History,
  type Reversal,
} from '../../../core/model/history.ts';
import type { LoggedTrack, Since } from '../../../core/model/logged.ts';
import { partsOfAll, rebase } from '../../../core/model/rebase.ts';
import { partsOf } from '../../../core/model/merge/parts.ts';
import { transform } from '../../../core/model/merge/transform.ts';
import { ApiError, sentence } from '../../../core/contract/api-error.ts';
import { nextBatch } from './batches.ts';
import { withoutDelivered } from './left-edits.ts';
import { isFinal, isMissing, isOtherHistory } from './log.ts';
import type { PendingEdits, SetAside, WaitingEdit, WaitingLine } from './outbox.ts';
import type { SyncNeeds, SyncState } from './sync-needs.ts';

export interface TrackSync {
  readonly id: string;
  readonly state: () => SyncState;
  /** As the log has it; null until it is open. */
  readonly confirmed: () => LoggedTrack | null;
  /** As it is shown: with the own edits. */
  readonly captions: () => readonly Caption[];
  readonly history: () => History;
  /** How many edits the log does not have yet. */
  readonly waiting: () => number;
  /** Whether this browser could not write down what waits. */
  readonly unwritten: () => boolean;
  readonly asides: () => readonly SetAside[];
  /** Why the server, which answers, does not take what waits; null where it takes it, or does not answer at all. */
  readonly holdUp: () => ApiError | null;
  /** @throws {ApiError} when the track cannot be had */
  readonly open: () => Promise<void>;
  /**
   * Makes an edit.
   * @param done what applying it gave, where the caller has it already
   * @param beside what the same step changes besides captions
   * @throws {EditRefused}
   */
  readonly change: (edit: Edit, mergeable?: boolean, done?: Applied, beside?: Beside) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  /** What is typed next becomes a step of its own. */
  readonly endTyping: () => void;
  /** Takes over what the track is called and is, which its log does not tell. */
  readonly describe: (as: Pick<Track, 'name' | 'kind' | 'language'>) => void;
  /** Asks the server now, and not after the next pause. */
  readonly poke: () => void;
  /** The log has this edit: it is asked for where it is not here yet, at once or after what is under way. */
  readonly told: (edit: number) => void;
  /** Makes edits that were set aside once more. @returns why not, where they do not fit */
  readonly tryAside: (id: string) => Promise<string | null>;
  readonly dropAside: (id: string) => Promise<void>;
  /** Lets go of what waits: it is somewhere else now. */
  readonly abandon: () => Promise<void>;
  /** Nobody looks any more; what waits goes on its way. */
  readonly leave: () => void;
  /** Somebody looks again. */
  readonly enter: () => void;
}

/** How long typing gathers before it is sent, in ms. */
const gather = 350;
/** First pause before the server is asked again, and the longest, in ms. */
const [firstPause, longestPause] = [1000, 30_000];
/** Typing goes on as one step over pauses up to this, in ms. */
const runsOnFor = 1500;

export function trackSync(id: string, needs: SyncNeeds): TrackSync {
  const { log, outbox, client, tell } = needs;
  let state: SyncState = 'opening';
  let confirmed: LoggedTrack | null = null;
  let shown: readonly Caption[] = [];
  let own: readonly WaitingEdit[] = [];
  let history = noHistory;
  let asides: readonly SetAside[] = [];
  let holdUp: ApiError | null = null;
  let [lastSeq, lastTyped, failures, one] = [0, 0, 0, 0];
  /** The latest edit that the log was told to have since it was asked. */
  let latest = 0;
  let [unwritten, watched, gone, poked] = [false, true, false, false];
  let [running, again] = [false, false];
  let timer: ReturnType<typeof setTimeout> | undefined;

  const line = (): PendingEdits => ({ track: id, client, base: confirmed?.edit ?? 0, after: confirmed?.batch ?? null });
  const editsOf = (waiting: readonly WaitingEdit[]): Edit[] => waiting.map((w) => w.edit);

  function enterState(next: SyncState): void {
    state = next;
    if (next !== 'offline' && next !== 'sending') holdUp = null;
    if (own.length === 0) unwritten = false;
    tell({ type: 'state' });
  }

  /** What this browser could not write down is said until the log has it. */
  async function written(writing: Promise<void>): Promise<void> {
    try {
      await writing;
    } catch {
      unwritten = true;
      tell({ type: 'state' });
    }
  }

  function setAside(edits: readonly Edit[], reason: string): SetAside {
    const aside: SetAside = { id: needs.newId(), track: id, reason, at: needs.now(), edits };
    asides = [...asides, aside];
    return aside;
  }

  /** Own edits that do not fit any more, set aside. */
  function asideOf(edits: readonly WaitingEdit[], places: readonly number[]): SetAside | undefined {
    const left = places.flatMap((place) => edits[place]?.edit ?? []);
    return left.length > 0 ? setAside(left, 'Others have changed what it was made on.') : undefined;
  }

  function inConflict(captions: readonly Caption[]): number {
    return captions.reduce((n, c) => n + (c.versions ? 1 : 0), 0);
  }

  function tellOf(before: readonly Caption[], ids: readonly string[]): void {
    tell({ type: 'captions', by: 'others', ids });
    const more = inConflict(shown) - inConflict(before);
    if (more > 0) tell({ type: 'conflict', count: more });
  }

  /** Takes in what others did: own edits and the history are carried over it. */
  function catchUp({ edit, batch, since }: Since): void {
    if (!confirmed || since.length === 0) return;
    const before = shown;
    const others = applyAll(confirmed.captions, since);
    const result = rebase(confirmed.captions, editsOf(own), others, partsOfAll(since));
    history = carry(history, before, result.theirs);
    confirmed = { ...confirmed, edit, batch, captions: others };
    const aside = asideOf(own, result.refused);
    own = result.edits.map(({ edit: mine, place }) => ({ seq: own[place]?.seq ?? ++lastSeq, edit: mine, batch: null }));
    shown = result.captions;
    lastTyped = 0;
    void written(outbox.replace(line(), own, aside));
    tellOf(before, since.flatMap(touches));
    if (aside) tell({ type: 'aside' });
  }

  /** A batch is in the log: the outbox lets go of it. */
  async function accepted(batch: string, sent: readonly WaitingEdit[], edit: number): Promise<void> {
    if (!confirmed) return;
    confirmed = { ...confirmed, edit, batch, captions: applyAll(confirmed.captions, editsOf(sent)) };
    own = own.slice(sent.length);
    one = Math.max(0, one - sent.length);
    failures = 0;
    await written(
      outbox.delivered(
        line(),
        sent.map((w) => w.seq),
      ),
    );
    needs.announce();
  }

  /**
   * The log will not have a batch. Of several edits each is tried by itself; a single one is set aside
   * with what cannot be made without it, and the rest goes on as if it had not been made.
   */
  function refused(sent: readonly WaitingEdit[], reason: string, whole: boolean): void {
    const [first] = sent;
    if (!first || !confirmed) return;
    if (whole) {
      // The track itself is gone: nothing of it can be made any more.
      const aside = setAside(editsOf(own), reason);
      own = [];
      void written(outbox.replace(line(), [], aside));
      tell({ type: 'aside' });
      return;
    }
    if (sent.length > 1) {
      own = own.map((w, i) => (i < sent.length ? { ...w, batch: null } : w));
      one = sent.length;
      return;
    }
    const before = shown;
    const applied = apply(confirmed.captions, first.edit);
    const rest = own.slice(1);
    const without = transform(applied.captions, editsOf(rest), partsOf(applied.inverse), 'drop');
    const lost = rest.filter((_, i) => !without.own[i]);
    history = carry(history, before, without.theirs);
    own = rest.flatMap((w, i) => {
      const edit = without.own[i];
      return edit ? [{ ...w, edit, batch: null }] : [];
    });
    const aside = setAside([first.edit, ...editsOf(lost)], reason);
    shown = applyAll(confirmed.captions, editsOf(own));
    one = 0;
    void written(outbox.replace(line(), own, aside));
    tellOf(before, [...touches(first.edit), ...editsOf(lost).flatMap(touches)]);
    tell({ type: 'aside' });
  }

  /** Sends what waits, a batch at a time; asks what others did where nothing does. */
  async function deliver(): Promise<void> {
    if (!confirmed || state === 'blocked' || gone) return;
    let sent: readonly WaitingEdit[] = [];
    try {
      if (own.length === 0) {
        latest = 0;
        const news = await log.since(id, confirmed.edit, confirmed.batch);
        await needs.composed();
        // What was typed meanwhile stands on the same edit, so the news is for it too.
        catchUp(news);
      }
      while (own.length > 0) {
        enterState('sending');
        const batch = nextBatch(own, needs.newId, one > 0 ? 1 : undefined);
        sent = batch.edits;
        own = own.map((w, i) => sent[i] ?? w);
        await written(outbox.put(line(), sent));
        const answer = await log.append(id, {
          id: batch.id,
          base: confirmed.edit,
          after: confirmed.batch,
          edits: editsOf(sent),
        });
        if (typeof answer === 'number') await accepted(batch.id, sent, answer);
        else {
          await needs.composed();
          catchUp(answer);
        }
        sent = [];
      }
      failures = 0;
      // Others were at it right after the batch, and before all was told to be saved.
      if (latest > confirmed.edit) again = true;
      enterState('idle');
    } catch (error) {
      if (isOtherHistory(error) || error instanceof EditRefused) {
        enterState('blocked');
        return;
      }
      if (isFinal(error) && sent.length > 0) {
        refused(sent, sentence(error), isMissing(error));
        return deliver();
      }
      if (isMissing(error)) {
        enterState('missing');
        return;
      }
      failures++;
      holdUp = error instanceof ApiError && error.status > 0 ? error : null;
      enterState('offline');
      const pause = Math.min(longestPause, firstPause * 2 ** (failures - 1)) * (0.5 + needs.random() / 2);
      send(pause);
    }
  }

  async function pump(): Promise<void> {
    again = true;
    if (running) return;
    running = true;
    try {
      while (again && !gone) {
        again = false;
        await deliver();
        if (state === 'offline' || state === 'blocked' || state === 'missing') break;
      }
    } finally {
      running = false;
    }
    if (!watched && own.length === 0 && state !== 'blocked') finish();
  }

  function send(after: number): void {
    clearTimeout(timer);
    if (gone) return;
    timer = setTimeout(() => void pump(), after);
  }

  function finish(): void {
    gone = true;
    clearTimeout(timer);
    needs.done();
  }

  /**
   * Edits of a page that is gone become edits of this one. What it had sent is offered again as it was,
   * so that the log tells whether it has it; the rest is carried over what has come since its base.
   */
  async function adopt(left: WaitingLine): Promise<void> {
    const { base, after, edits, elsewhere } = await withoutDelivered(log, id, left);
    try {
      if (elsewhere !== null) throw elsewhere;
      let theirs = await log.since(id, base, after);
      if (!confirmed) return;
      const start = (await log.load(id, base)).captions;
      // Others may go on working meanwhile.
      while (theirs.edit !== confirmed.edit) {
        catchUp(await log.since(id, confirmed.edit, confirmed.batch));
        theirs = await log.since(id, base, after);
      }
      const result = rebase(start, editsOf(edits), shown, partsOfAll([...theirs.since, ...editsOf(own)]));
      const fresh = result.edits.map(({ edit }): WaitingEdit => ({ seq: ++lastSeq, edit, batch: null }));
      if (!(await outbox.adopt(left, line(), fresh, asideOf(edits, result.refused)))) return;
      const before = shown;
      own = [...own, ...fresh];
      shown = result.captions;
      tellOf(
        before,
        fresh.flatMap((w) => touches(w.edit)),
      );
    } catch (error) {
      if (!isOtherHistory(error)) throw error;
      const aside = setAside(editsOf(edits), sentence(error));
      await outbox.adopt(left, line(), [], aside);
    }
  }

  /** Takes over what pages that are gone have left, and this one where an earlier opening of it did not come to its end. */
  async function adoptLeft(): Promise<void> {
    const alive = await needs.alive();
    const lines = await outbox.lines(id);
    const before = lines.find((left) => left.client === client);
    // Its own line first: it stands on a base of its own, and whatever is written from now on has a later number.
    lastSeq = before?.edits.at(-1)?.seq ?? 0;
    if (before) await adopt(before);
    for (const left of lines) if (left !== before && !alive(left.client)) await adopt(left);
  }

  async function open(): Promise<void> {
    try {
      confirmed = await log.load(id);
      shown = confirmed.captions;
      await adoptLeft();
      asides = await outbox.asides(id);
    } catch (error) {
      // Nothing goes on of an opening that failed: what it had taken over is in the outbox, for the next.
      finish();
      throw error;
    }
    enterState('idle');
    tell({ type: 'captions', by: 'others', ids: [] });
    if (asides.length > 0) tell({ type: 'aside' });
    if (own.length > 0 || !watched || poked || latest > confirmed.edit) send(0);
  }

  /** Asks the server now. While it opens, what came meanwhile is asked for at its end: until then it is not whole. */
  function poke(): void {
    if (state === 'opening') poked = true;
    else send(0);
  }

  function told(edit: number): void {
    latest = Math.max(latest, edit);
    // What is on its way asks for what others did by itself.
    if (confirmed && edit > confirmed.edit && state !== 'sending' && state !== 'opening') send(0);
  }

  function enqueue(edit: Edit, runsOn: boolean): void {
    const last = own.at(-1);
    const together = runsOn && last?.batch === null ? merge(last.edit, edit) : null;
    const waiting: WaitingEdit = last && together ? { ...last, edit: together } : { seq: ++lastSeq, edit, batch: null };
    own = together ? [...own.slice(0, -1), waiting] : [...own, waiting];
    void written(outbox.put(line(), [waiting]));
    tell({ type: 'state' });
    if (state !== 'offline') send(gather);
  }

  function change(
    edit: Edit,
    mergeable = false,
    done: Applied = apply(shown, edit),
    beside: Beside | null = null,
  ): void {
    const now = needs.now();
    const runsOn = mergeable && now - lastTyped < runsOnFor;
    history = remember(history, edit, done.inverse, runsOn, beside);
    shown = done.captions;
    lastTyped = mergeable ? now : 0;
    tell({ type: 'captions', by: 'hand', ids: touches(edit) });
    enqueue(edit, runsOn);
  }

  function take(reversal: Reversal): void {
    history = reversal.history;
    lastTyped = 0;
    const { edit } = reversal;
    if (edit) {
      shown = apply(shown, edit).captions;
      tell({ type: 'captions', by: 'undo', ids: touches(edit) });
      enqueue(edit, false);
    } else tell({ type: 'state' });
    if (reversal.beside) tell({ type: 'beside', beside: reversal.beside });
    if (reversal.skipped > 0) tell({ type: 'skipped' });
  }

  function describe({ name, kind, language }: Pick<Track, 'name' | 'kind' | 'language'>): void {
    if (!confirmed) return;
    if (confirmed.name === name && confirmed.kind === kind && confirmed.language === language) return;
    confirmed = { ...confirmed, name, kind, language };
    tell({ type: 'state' });
  }

  async function dropAside(aside: string): Promise<void> {
    await outbox.dropAside(aside);
    asides = asides.filter((a) => a.id !== aside);
    tell({ type: 'aside' });
  }

  return {
    id,
    state: () => state,
    confirmed: () => confirmed,
    captions: () => shown,
    history: () => history,
    waiting: () => own.length,
    unwritten: () => unwritten,
    asides: () => asides,
    holdUp: () => holdUp,
    open,
    change,
    undo: () => take(undo(history, shown)),
    redo: () => take(redo(history, shown)),
    endTyping: () => void (lastTyped = 0),
    describe,
    poke,
    told,
    async tryAside(aside) {
      const found = asides.find((a) => a.id === aside);
      if (!found) return null;
      const edit: Edit = { type: 'together', edits: found.edits };
      try {
        change(edit);
      } catch (error) {
        if (error instanceof EditRefused) return error.message;
        throw error;
      }
      await dropAside(aside);
      return null;
    },
    dropAside,
    async abandon() {
      own = [];
      await outbox.replace(line(), []);
      finish();
    },
    leave() {
      watched = false;
      if (own.length === 0 && !running && state !== 'opening' && state !== 'blocked') finish();
      else if (state !== 'opening') send(0);
    },
    enter() {
      watched = true;
      if (state !== 'opening') send(0);
    },
  };
}
