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
import { apply, type Applied } from '../../../core/model/apply.ts';
import type { Caption, Track } from '../../../core/model/caption.ts';
import { EditRefused, type Edit } from '../../../core/model/edits.ts';
import type { Beside, History, Joins } from '../../../core/model/history.ts';
import type { LoggedTrack } from '../../../core/model/logged.ts';
import type { ApiError } from '../../../core/contract/api-error.ts';
import { openLine } from './open-line.ts';
import type { SetAside } from './outbox.ts';
import { reduce } from './reduce.ts';
import { effectRunner } from './run-effects.ts';
import type { SyncInput } from './sync-effects.ts';
import { lineOf, unopened } from './sync-model.ts';
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
   * @param joins whether it may join the step before, for undo
   * @param done what applying it gave, where the caller has it already
   * @param beside what the same step changes besides captions
   * @throws {EditRefused}
   */
  readonly change: (edit: Edit, joins?: Joins, done?: Applied, beside?: Beside) => void;
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

/** Holds the model of one track, and has done what its steps ask for. */
export function trackSync(id: string, needs: SyncNeeds): TrackSync {
  const { client, outbox } = needs;
  let model = unopened(id, client);
  const run = effectRunner(id, needs, handle);

  function handle(input: SyncInput): void {
    const step = reduce(model, input, needs);
    ({ model } = step);
    for (const effect of step.effects) run(effect);
  }

  const change: TrackSync['change'] = (edit, joins = false, done = apply(model.shown, edit), beside) =>
    handle({ type: 'made', edit, joins, applied: done, beside: beside ?? null, at: needs.now() });

  async function dropAside(aside: string): Promise<void> {
    await outbox.dropAside(aside);
    handle({ type: 'aside-dropped', id: aside });
  }

  async function tryAside(aside: string): Promise<string | null> {
    const found = model.asides.find((a) => a.id === aside);
    if (!found) return null;
    try {
      change({ type: 'together', edits: found.edits });
    } catch (error) {
      if (error instanceof EditRefused) return error.message;
      throw error;
    }
    await dropAside(aside);
    return null;
  }

  async function abandon(): Promise<void> {
    handle({ type: 'abandoned' });
    await outbox.replace(lineOf(model), []);
    handle({ type: 'ended' });
  }

  return {
    id,
    state: () => model.state,
    confirmed: () => model.confirmed,
    captions: () => model.shown,
    history: () => model.history,
    waiting: () => model.own.length,
    unwritten: () => model.unwritten,
    asides: () => model.asides,
    holdUp: () => model.holdUp,
    open: () => openLine({ model: () => model, handle }, needs),
    change,
    undo: () => handle({ type: 'undo' }),
    redo: () => handle({ type: 'redo' }),
    endTyping: () => handle({ type: 'typing-ended' }),
    describe: (as) => handle({ type: 'described', as }),
    poke: () => handle({ type: 'poked' }),
    told: (edit) => handle({ type: 'told', edit }),
    tryAside,
    dropAside,
    abandon,
    leave: () => handle({ type: 'left' }),
    enter: () => handle({ type: 'entered' }),
  };
}
