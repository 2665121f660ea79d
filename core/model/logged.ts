/** A track and its log as they travel between the server and its pages. */
import type { Track } from './caption.ts';
import type { Edit } from './edits.ts';

/** A track with the batch that made its last edit, by which its history is known; null before the first. */
export interface LoggedTrack extends Track {
  readonly batch: string | null;
}

/** What has come into the log since an edit. */
export interface Since {
  /** The number and the batch of the last edit. */
  readonly edit: number;
  readonly batch: string | null;
  readonly since: readonly Edit[];
}

/** Edits that go into the log together, or not at all. */
export interface Batch {
  /** Made by whoever sends it; a batch that comes again is known by it. */
  readonly id: string;
  /** The edit number its edits were made on. */
  readonly base: number;
  /** The batch that made that edit, where whoever sends this knows it; another there is another history. */
  readonly after: string | null;
  readonly edits: readonly Edit[];
}
