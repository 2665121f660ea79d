/** Routes of jobs. */
import type { Job, JobSummary } from '../job/job.ts';
import type { Stretch } from '../audio/regions.ts';
import type { LoggedTrack } from '../model/logged.ts';
import type { HouseStyle } from '../style/style.ts';
import type { FrameRate } from '../timing/clock/frames.ts';
import type { NewTrack } from './tracks.ts';

/** A job to be made with its tracks, whole or not at all; the same sent again is made once. */
export interface NewJob {
  readonly id: string;
  readonly title: string;
  readonly series?: string;
  /** BCP 47. */
  readonly language: string;
  /** 25 frames a second where nothing is said. */
  readonly rate?: FrameRate;
  /** The id of a house style. */
  readonly style: string;
  /** The hash of its recording. */
  readonly recording?: string | null;
  /** What the job calls it; one file may be several jobs’ recording. */
  readonly recordingName?: string;
  readonly tracks?: readonly NewTrack[];
}

export interface JobChange {
  readonly title?: string;
  readonly series?: string;
  /** BCP 47. */
  readonly language?: string;
  /** By its id, or whole: changed for this job only. */
  readonly style?: string | HouseStyle;
  /** The hash of another recording, mostly a new cut: the one it had is kept as the one before. */
  readonly recording?: string;
  /** What the job calls that. */
  readonly recordingName?: string;
  /** Of its pictures: gaps in frames and timecodes are counted by it. */
  readonly rate?: FrameRate;
  /** Which of the recording’s sound tracks is listened to, from 0. */
  readonly soundTrack?: number;
  /** The part that is to be captioned; null for all of it. */
  readonly stretch?: Stretch | null;
}

/** A job and the track it is opened with, in one answer: whoever opens it waits for both. */
export interface JobOpening {
  readonly job: Job;
  /** Null where the job has none. */
  readonly track: LoggedTrack | null;
}

export interface JobRoutes {
  'GET /api/jobs': { answer: readonly JobSummary[] };
  'POST /api/jobs': { body: NewJob; answer: Job };
  'GET /api/jobs/:id': { answer: Job };
  'GET /api/jobs/:id/opening': {
    /** The track that was worked on last. */
    query: { readonly track?: string };
    answer: JobOpening;
  };
  'PATCH /api/jobs/:id': { body: JobChange; answer: Job };
  'DELETE /api/jobs/:id': { answer: null };
}
