/** A job and what belongs to it, as the server keeps it and gives it out. */
import type { Stretch } from '../audio/regions.ts';
import type { StyleStanding } from '../style/style-names.ts';
import type { HouseStyle } from '../style/style.ts';
import type { FrameRate } from '../timing/clock/frames.ts';
import type { FormatName } from '../formats/format.ts';
import type { TrackKind } from '../model/caption.ts';

export interface Recording {
  readonly hash: string;
  readonly name: string;
  readonly type: string;
  readonly bytes: number;
  /** In ms; null until it has been measured. */
  readonly length: number | null;
  readonly width: number | null;
  readonly height: number | null;
  /** Whether a small picture of it is kept. */
  readonly poster: boolean;
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

/** A track that was deleted: kept for {@link keptDeleted}, and then gone. */
export interface DeletedTrack extends TrackSummary {
  /** In ms since 1970. */
  readonly deleted: number;
}
/** So long a deleted track can be brought back, in ms: thirty days. */
export const keptDeleted = 30 * 24 * 3600 * 1000;

export interface Job {
  readonly id: string;
  readonly title: string;
  readonly series: string;
  readonly language: string;
  readonly rate: FrameRate;
  readonly style: HouseStyle;
  readonly made: number;
  readonly recording: Recording | null;
  /** The recording it had before this one, mostly another cut of it that captions may still be timed for; null where it had none. */
  readonly recordingBefore: Recording | null;
  /** Which of the recording’s sound tracks is listened to, from 0. */
  readonly soundTrack: number;
  /** The part of the recording that is to be captioned; null for all of it. */
  readonly stretch: Stretch | null;
  readonly tracks: readonly TrackSummary[];
  /** Those that were deleted and can still be brought back. */
  readonly deleted: readonly DeletedTrack[];
}

/** What a destination was last handed of a job’s fair copy. */
export interface Held {
  readonly destination: string;
  readonly state: Receipt['state'];
  /** Whether the track has been changed since. */
  readonly behind: boolean;
}

/** A job as it stands in the list of jobs. */
export interface JobSummary {
  readonly id: string;
  readonly title: string;
  readonly series: string;
  readonly language: string;
  readonly made: number;
  readonly style: Pick<HouseStyle, 'id' | 'name' | 'version'>;
  readonly recording: Recording | null;
  /** The one it had before; null where it had none. */
  readonly recordingBefore: Pick<Recording, 'name'> | null;
  readonly tracks: readonly TrackSummary[];
  /** Findings of the fair copy that have to go; null while they are not counted. */
  readonly mustFindings: number | null;
  /** The newest of each destination. */
  readonly held: readonly Held[];
}

/** A job that uses a style, and how its own copy stands to it. */
export interface StyleUse {
  readonly job: Pick<Job, 'id' | 'title'>;
  readonly style: Pick<HouseStyle, 'id' | 'name' | 'version'>;
  readonly standing: StyleStanding;
}

export type DestinationKind = 'video-host';

export interface Destination {
  readonly id: string;
  readonly name: string;
  readonly kind: DestinationKind;
  readonly url: string;
  /** The formats it takes, the one to be sent first. */
  readonly takes: readonly FormatName[];
}

export interface ListedRecording {
  readonly id: string;
  readonly title: string;
  readonly tracks: readonly {
    readonly language: string;
    readonly kind: 'machine' | 'captions';
    readonly state: 'processing' | 'live' | 'refused';
  }[];
}

export interface Receipt {
  readonly id: string;
  readonly track: string;
  readonly destination: string;
  /** The recording there; null while this job’s is still to be brought there. */
  readonly place: string | null;
  readonly file: string;
  readonly edit: number;
  /** `sending` until the destination has said that it has it; how that fares is told by the work. */
  readonly state: 'sending' | 'processing' | 'live' | 'refused';
  /** Why it was refused, in the words of the destination. */
  readonly reason: string | null;
  readonly watch: string | null;
  readonly at: number;
}

/** The track that is worked on and handed over: the first that is not a machine draft. */
export function fairCopyOf(job: Pick<Job, 'tracks'>): TrackSummary | null {
  return job.tracks.find((t) => t.kind === 'captions') ?? null;
}

const spoken = (tag: string): string => tag.toLowerCase().split('-')[0] ?? '';
/** Whether a track says in another language what is said in the recording, so that nothing of it is held against the sound. */
export const isTranslation = ({ kind, language }: Pick<TrackSummary, 'kind' | 'language'>, of: string): boolean =>
  kind === 'subtitles' || spoken(language) !== spoken(of);

/**
 * The track a job is opened with.
 * @param chosen the id of the one that was worked on last, where that is known
 * @returns null where the job has none
 */
export function trackToOpen(job: Pick<Job, 'tracks'>, chosen: string | null): TrackSummary | null {
  const open = job.tracks.filter((t) => t.kind !== 'machine');
  return open.find((t) => t.id === chosen) ?? fairCopyOf(job) ?? job.tracks[0] ?? null;
}
