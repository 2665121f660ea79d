/** A job and what belongs to it, as the server keeps it and gives it out. */
import type { HouseStyle } from '../rules/style.ts';
import type { FrameRate } from '../time/frames.ts';
import type { TrackKind } from '../track/caption.ts';

export interface Recording {
  readonly hash: string;
  readonly name: string;
  readonly type: string;
  readonly bytes: number;
  /** In ms; null until it has been measured. */
  readonly length: number | null;
  readonly width: number | null;
  readonly height: number | null;
}

export interface TrackSummary {
  readonly id: string;
  readonly kind: TrackKind;
  readonly language: string;
  readonly name: string;
  readonly edit: number;
  readonly captions: number;
  readonly proofed: number;
}

export interface Job {
  readonly id: string;
  readonly title: string;
  readonly series: string;
  readonly language: string;
  readonly rate: FrameRate;
  readonly style: HouseStyle;
  readonly made: number;
  readonly recording: Recording | null;
  readonly tracks: readonly TrackSummary[];
}

/** What a destination was last handed of a track. */
export interface Held {
  readonly destination: string;
  readonly state: Receipt['state'];
  /** Whether the track has been changed since. */
  readonly behind: boolean;
}

/** How a job stands. */
export interface Standing {
  /** Findings of the fair copy that have to go; null while there is none. */
  readonly findings: number | null;
  /** The newest of each destination. */
  readonly held: readonly Held[];
}

export interface Destination {
  readonly id: string;
  readonly name: string;
  readonly kind: 'video-host';
  readonly url: string;
}

export interface PlaceThere {
  readonly id: string;
  readonly title: string;
  readonly tracks: readonly {
    readonly language: string;
    readonly kind: 'machine' | 'captions';
    readonly state: string;
  }[];
}

export interface Receipt {
  readonly id: string;
  readonly track: string;
  readonly destination: string;
  readonly place: string;
  readonly file: string;
  readonly edit: number;
  readonly state: 'processing' | 'live' | 'refused';
  readonly watch: string | null;
  readonly at: number;
}

/** The track that is worked on and handed over: the first that is not a machine draft. */
export function fairCopyOf(job: Job): TrackSummary | null {
  return job.tracks.find((t) => t.kind === 'captions') ?? null;
}
