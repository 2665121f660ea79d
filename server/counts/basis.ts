/** What the findings of a job’s tracks rest on besides their captions, kept as a hash beside the job. */
import { createHash } from 'node:crypto';
import type { Knex } from 'knex';
import { rulesVersion } from '../../core/rules/findings.ts';

interface BasisRow {
  readonly style: string;
  readonly rate: string;
  readonly length: number | null;
  /** Where somebody heard speech in the recording, as JSON, and by which method; null where nobody has. */
  readonly heard: string | null;
  readonly method: number | null;
  readonly sound_track: number;
  readonly stretch: string | null;
}

/** House style, frame rate, length, what is known of the sound and the version of the rules, as one short text. */
const basisOf = ({ style, rate, length, heard, method, sound_track, stretch }: BasisRow): string =>
  createHash('sha256')
    .update(JSON.stringify([rulesVersion, style, rate, length, heard, method, sound_track, stretch]))
    .digest('base64url')
    .slice(0, 16);

/** Writes down what the counts of jobs rest on now; counts that rest on something else are no longer shown. @param of only this job, or those of this recording */
export async function setBasis(
  tx: Knex,
  of: { readonly id?: string; readonly recording?: string } = {},
): Promise<void> {
  const rows = await tx('jobs')
    .leftJoin('recordings', 'recordings.hash', 'jobs.recording')
    .leftJoin('regions', (on) => on.on('regions.hash', 'jobs.recording').andOn('regions.track', 'jobs.sound_track'))
    .where(of.id === undefined ? {} : { 'jobs.id': of.id })
    .where(of.recording === undefined ? {} : { 'jobs.recording': of.recording })
    .select<(BasisRow & { readonly id: string; readonly basis: string })[]>(
      'jobs.id',
      'jobs.style',
      'jobs.rate',
      'jobs.basis',
      'jobs.sound_track',
      'jobs.stretch',
      'recordings.length',
      'regions.regions as heard',
      'regions.method',
    );
  for (const row of rows) {
    const basis = basisOf(row);
    if (basis !== row.basis) await tx('jobs').where({ id: row.id }).update({ basis });
  }
}
