/** Where the changes of a track are, for whoever made them. */
import type { SyncState } from '../sync/sync-needs.ts';
import type { TrackSync } from '../sync/track-sync.ts';

/**
 * Where the changes are: saved on the server, on their way there, in this browser only while the server is away, in this
 * browser because the server's log is another one or has no such track any more, or nowhere but on this page.
 */
export type SavedState =
  'saved' | 'saving' | 'in this browser' | 'other history' | 'track missing' | 'on this page only';

const ofState: Readonly<Record<SyncState, SavedState>> = {
  opening: 'saving',
  idle: 'saved',
  sending: 'saving',
  offline: 'in this browser',
  blocked: 'other history',
  missing: 'track missing',
};

/** What a person is told of a track on its way. */
export function savedStateOf(sync: Pick<TrackSync, 'state' | 'unwritten' | 'waiting'>): SavedState {
  if (sync.unwritten()) return 'on this page only';
  const state = ofState[sync.state()];
  return state === 'saved' && sync.waiting() > 0 ? 'saving' : state;
}
