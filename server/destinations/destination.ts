/** What every kind of destination can be asked; a new kind is one more of these in `kinds.ts`. */
import type { FormatName } from '../../core/formats/format.ts';
import type { Destination } from '../../core/job/job.ts';

/** A destination with what it takes to reach it; the token never leaves the server. */
export interface DestinationRow extends Omit<Destination, 'takes'> {
  readonly token: string;
}

/** Captions there. */
export interface TrackThere {
  readonly language: string;
  readonly kind: 'machine' | 'captions';
  readonly state: 'processing' | 'live' | 'refused';
  /** The destination’s own number for it. */
  readonly receipt: string;
  /** The key it was delivered under; null where it was not delivered from here. */
  readonly key: string | null;
  readonly message: string;
}

/** A recording there. */
export interface RecordingThere {
  readonly id: string;
  readonly title: string;
  readonly watch: string;
  /** The key it was brought under; null where it was not brought from here. */
  readonly key: string | null;
  readonly tracks: readonly TrackThere[];
}

export interface CaptionFile {
  readonly name: string;
  readonly text: string;
  readonly mediaType: string;
}

export interface RecordingFile {
  readonly path: string;
  readonly bytes: number;
  readonly type: string;
  readonly title: string;
  readonly language: string;
}

/**
 * Talks to destinations of one kind. What one answers is believed only as far as a schema goes.
 * Everything throws {@link ApiError}: `destination-away`, `destination-refused`, `destination-unclear`.
 */
export interface DestinationKindAdapter {
  /** The formats it takes, the one to be sent first. */
  readonly takes: readonly [FormatName, ...FormatName[]];
  readonly recordings: (to: DestinationRow) => Promise<readonly RecordingThere[]>;
  readonly recording: (to: DestinationRow, place: string, signal?: AbortSignal) => Promise<RecordingThere>;
  /** Delivers captions under a key, by which they are found again. */
  readonly send: (
    to: DestinationRow,
    place: string,
    key: string,
    file: CaptionFile,
    signal: AbortSignal,
  ) => Promise<TrackThere>;
  /** Brings a recording there under a key. @param progress told the share that has gone, 0 to 1 */
  readonly bring: (
    to: DestinationRow,
    key: string,
    file: RecordingFile,
    signal: AbortSignal,
    progress: (share: number) => void,
  ) => Promise<RecordingThere>;
}

/** The page a destination shows a recording on; null where what it says is no address of the web. */
export function watchPageOf(to: DestinationRow, { watch }: Pick<RecordingThere, 'watch'>): string | null {
  if (!URL.canParse(watch, to.url)) return null;
  const page = new URL(watch, to.url);
  return page.protocol === 'http:' || page.protocol === 'https:' ? page.href : null;
}
