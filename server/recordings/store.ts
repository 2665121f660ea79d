/** Recordings as they are kept and as they are given out. */
import type { Recording } from '../../core/job/job.ts';

export interface RecordingRow extends Recording {
  /** Since when no job has used it, in ms since 1970; of those in use it says nothing. */
  readonly idle: number;
}

export const openRecording = ({ idle: _, ...recording }: RecordingRow): Recording => recording;
