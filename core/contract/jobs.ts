/** Routes of jobs. */
import type { Job, JobSummary } from '../job/job.ts';
import type { HouseStyle } from '../style/style.ts';
import type { FrameRate } from '../time/frames.ts';
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
  readonly tracks?: readonly NewTrack[];
}

export interface JobChange {
  readonly title?: string;
  /** By its id, or whole: changed for this job only. */
  readonly style?: string | HouseStyle;
}

export interface JobRoutes {
  'GET /api/jobs': { answer: readonly JobSummary[] };
  'POST /api/jobs': { body: NewJob; answer: Job };
  'GET /api/jobs/:id': { answer: Job };
  'PATCH /api/jobs/:id': { body: JobChange; answer: Job };
  'DELETE /api/jobs/:id': { answer: null };
}
