/** What a track on its way needs of the world, and what it tells whoever shows it. */
import type { Edit } from '../../../core/model/edits.ts';
import type { Beside } from '../../../core/model/history.ts';
import type { Log } from './log.ts';
import type { Outbox } from './outbox.ts';

/**
 * `offline`: the server does not answer, and is asked again; `blocked`: its log is another one than this page's;
 * `missing`: it has no such track any more.
 */
export type SyncState = 'opening' | 'idle' | 'sending' | 'offline' | 'blocked' | 'missing';

/** What has come to pass, for whoever shows it. */
export type SyncEvent =
  | { readonly type: 'state' }
  | { readonly type: 'captions'; readonly by: 'hand' | 'undo' | 'others'; readonly ids: readonly string[] }
  /** Captions are in conflict that were not. */
  | { readonly type: 'conflict'; readonly count: number }
  /** A step was taken back, or made again. */
  | { readonly type: 'reversed'; readonly by: 'undo' | 'redo'; readonly made: Edit }
  /** Steps were passed over by undo or redo. */
  | { readonly type: 'skipped' }
  /** Undoing or redoing a step has to change something besides captions. */
  | { readonly type: 'beside'; readonly beside: Beside }
  | { readonly type: 'aside' };

/** What it needs of the world. */
export interface SyncNeeds {
  readonly log: Log;
  readonly outbox: Outbox;
  /** This page. */
  readonly client: string;
  /** Whether pages of this browser are still there. */
  readonly alive: () => Promise<(client: string) => boolean>;
  readonly newId: () => string;
  readonly now: () => number;
  /** 0 to 1, so that pages do not all ask again at one moment. */
  readonly random: () => number;
  /** Waits while an input method is composing: the text must not change under it. */
  readonly composed: () => Promise<void>;
  /** Tells other pages of this browser that the log has grown. */
  readonly announce: () => void;
  readonly tell: (event: SyncEvent) => void;
  /** Told once it was left and nothing waits any more. */
  readonly done: () => void;
}
