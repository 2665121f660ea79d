/** Another recording for a job: a new cut of it, or the one before again. */
import type { Knex } from 'knex';
import { missing } from '../http/errors.ts';
import type { JobRow } from './store.ts';

/**
 * The recordings of a job once it has another: the one it had becomes the one before, and what was the one before is no
 * longer the job’s.
 * @param hash of the other, or of the one it has
 * @param name what the job calls the other; null where it says nothing
 * @throws {ApiError} when there is no such recording
 */
export async function withRecording(
  tx: Knex,
  { recording, recording_before, recording_name, recording_before_name }: JobRow,
  hash: string | null,
  name: string | null,
): Promise<Pick<JobRow, 'recording' | 'recording_before' | 'recording_name' | 'recording_before_name'>> {
  if (recording === hash) return { recording, recording_before, recording_name, recording_before_name };
  if (!(await tx('recordings').where({ hash }).first())) throw missing('The recording');
  // Nobody may use it now: it is kept as long as any other that no job has.
  if (recording_before !== null) await tx('recordings').where({ hash: recording_before }).update({ idle: Date.now() });
  return {
    recording: hash,
    recording_before: recording,
    recording_name: name,
    recording_before_name: recording_name,
  };
}
