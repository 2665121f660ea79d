/** Routes of tracks, their edit log and their files. */
import type { WriteOptions } from '../formats/sheet.ts';
import type { FormatName } from '../formats/format.ts';
import type { LeftOut } from '../handover/leave-out.ts';
import type { TrackSummary } from '../job/job.ts';
import type { Work } from '../job/work.ts';
import type { SameMove } from '../timing/whole/same-move.ts';
import type { Caption, Foreign, TrackKind } from '../model/caption.ts';
import type { Batch, LoggedTrack, Since } from '../model/logged.ts';
import type { TrackVersion } from '../model/track-versions.ts';
import type { Bytes } from './bytes.ts';

/** A track to be made with its first captions; the same sent again is made once. */
export interface NewTrack {
  readonly id: string;
  readonly kind: TrackKind;
  /** BCP 47. */
  readonly language: string;
  readonly name: string;
  readonly foreign?: Foreign | null;
  readonly captions?: readonly Caption[];
}

/** How a file is wanted: its format, what is left out, what is written besides. */
export interface WantedFile extends Partial<LeftOut>, Partial<WriteOptions> {
  readonly format: FormatName;
}

/** What is changed of a track besides its captions; what is left out stays. */
export interface TrackProperties {
  readonly name?: string;
  readonly language?: string;
  /** A machine draft stays one, and nothing else becomes one. */
  readonly kind?: TrackKind;
  /** Deleted, or brought back. */
  readonly deleted?: boolean;
}

/** The same move for several tracks of a job; the same asked for again is done once. */
export interface NewMove {
  readonly id: string;
  /** Their ids. */
  readonly tracks: readonly string[];
  readonly move: SameMove;
}

/** A version of a track, and the names of the destinations it was handed to. */
export interface HandedVersion extends TrackVersion {
  readonly handed: readonly string[];
}

export interface TrackRoutes {
  'POST /api/jobs/:id/tracks': { body: NewTrack; answer: TrackSummary };
  /** Moves one after another, as work that goes on by itself. */
  'POST /api/jobs/:id/moves': { body: NewMove; answer: Work };
  'PATCH /api/tracks/:id': { body: TrackProperties; answer: TrackSummary };
  /** As it stands, or as it stood after an edit. */
  'GET /api/tracks/:id': { query: { readonly at?: number }; answer: LoggedTrack };
  /** Oldest first; the last is the track as it stands. A track without edits has none. */
  'GET /api/tracks/:id/versions': { answer: readonly HandedVersion[] };
  /** What has come since an edit; `batch` is the one that made it, where whoever asks knows it. */
  'GET /api/tracks/:id/edits': { query: { readonly after: number; readonly batch?: string }; answer: Since };
  /** Refused as `behind` with what came since, where others were first. */
  'POST /api/tracks/:id/edits': {
    body: Omit<Batch, 'after'> & Partial<Pick<Batch, 'after'>>;
    /** The number of the batch’s last edit. */
    answer: { readonly edit: number };
  };
  'GET /api/tracks/:id/file': { query: WantedFile; answer: Bytes };
}
