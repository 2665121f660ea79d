/** What happens to a track on its way, and what that has done in the world, as plain values. */
import type { Applied } from '../../../core/model/apply.ts';
import type { Caption, Track } from '../../../core/model/caption.ts';
import type { Edit } from '../../../core/model/edits.ts';
import type { Beside, Joins } from '../../../core/model/history.ts';
import type { Batch, LoggedTrack, Since } from '../../../core/model/logged.ts';
import type { PendingEdits, SetAside, WaitingEdit } from './outbox.ts';
import type { SyncEvent } from './sync-needs.ts';

/** What happens to it. */
export type SyncInput =
  /** While it opens: the log is here; so many edits stand on its own line already; those of another line are its own now. */
  | { readonly type: 'loaded'; readonly track: LoggedTrack }
  | { readonly type: 'numbered'; readonly lastSeq: number }
  | { readonly type: 'adopted'; readonly edits: readonly WaitingEdit[]; readonly captions: readonly Caption[] }
  | { readonly type: 'opened'; readonly asides: readonly SetAside[] }
  /** An edit was made by hand; `at` in ms since 1970. */
  | {
      readonly type: 'made';
      readonly edit: Edit;
      readonly joins: Joins;
      readonly applied: Applied;
      readonly beside: Beside | null;
      readonly at: number;
    }
  | { readonly type: 'undo' | 'redo' | 'typing-ended' }
  | { readonly type: 'described'; readonly as: Pick<Track, 'name' | 'kind' | 'language'> }
  /** The server may have news; the log has this edit. */
  | { readonly type: 'poked' }
  | { readonly type: 'told'; readonly edit: number }
  /** Nobody looks any more; somebody does. */
  | { readonly type: 'left' | 'entered' }
  /** The pause is over that an effect asked for. */
  | { readonly type: 'due' }
  /** What the server answered: others were there first, or had something to tell; it took a batch; it did neither. */
  | { readonly type: 'others'; readonly news: Since }
  | { readonly type: 'taken'; readonly batch: string; readonly edit: number }
  | { readonly type: 'failed'; readonly error: unknown }
  /** The outbox has let go of what was taken; it could not write something down. */
  | { readonly type: 'let-go' }
  | { readonly type: 'unwritten' }
  | { readonly type: 'aside-dropped'; readonly id: string }
  /** What waits is somewhere else now; nothing goes on. */
  | { readonly type: 'abandoned' }
  | { readonly type: 'ended' };

/** What is to be done in the world. */
export type SyncEffect =
  | { readonly type: 'tell'; readonly event: SyncEvent }
  /** Writing into the outbox. */
  | { readonly type: 'put'; readonly line: PendingEdits; readonly edits: readonly WaitingEdit[] }
  | {
      readonly type: 'replace';
      readonly line: PendingEdits;
      readonly edits: readonly WaitingEdit[];
      readonly aside: SetAside | undefined;
    }
  /** The same, told as `let-go` when it is done. */
  | { readonly type: 'let-go'; readonly line: PendingEdits; readonly seqs: readonly number[] }
  /** Asks the log what came after an edit. */
  | { readonly type: 'ask'; readonly edit: number; readonly batch: string | null }
  /** Sends a batch, once the outbox has written down what is in it. */
  | {
      readonly type: 'send';
      readonly line: PendingEdits;
      readonly edits: readonly WaitingEdit[];
      readonly batch: Batch;
    }
  /** Told as `due` after a pause in ms, which takes the place of the one before. */
  | { readonly type: 'wait'; readonly ms: number }
  /** Tells other pages of this browser that the log has grown. */
  | { readonly type: 'announce' }
  /** No pause runs on, and whoever holds the track is told. */
  | { readonly type: 'end' };

const tell = (event: SyncEvent): SyncEffect => ({ type: 'tell', event });
export const tellState = tell({ type: 'state' });
export const tellAside = tell({ type: 'aside' });
export const tellSkipped = tell({ type: 'skipped' });
export const tellReversed = (by: 'undo' | 'redo', made: Edit): SyncEffect => tell({ type: 'reversed', by, made });
export const tellBeside = (beside: Beside): SyncEffect => tell({ type: 'beside', beside });
export const tellCaptions = (by: 'hand' | 'undo' | 'others', ids: readonly string[]): SyncEffect =>
  tell({ type: 'captions', by, ids });

const inConflict = (captions: readonly Caption[]): number => captions.reduce((n, c) => n + (c.versions ? 1 : 0), 0);

/** Others have changed these captions, some of which may be in conflict now. */
export function tellOthers(
  before: readonly Caption[],
  after: readonly Caption[],
  ids: readonly string[],
): readonly SyncEffect[] {
  const more = inConflict(after) - inConflict(before);
  return [tellCaptions('others', ids), ...(more > 0 ? [tell({ type: 'conflict', count: more })] : [])];
}
