/** How a job stands: what its fair copy still has against it, and what the destinations hold of it. */
import type { Knex } from 'knex';
import { fairCopyOf, type Receipt, type Standing } from '../../core/job/job.ts';
import { findIn } from '../../core/rules/finder.ts';
import type { EditLog } from '../tracks/log.ts';
import { jobOf } from './store.ts';

interface HeldRow {
  readonly name: string;
  readonly state: Receipt['state'];
  readonly edit: number;
}

/** @throws {Problem} when there is no such job */
export async function standingOf(db: Knex, log: EditLog, id: string): Promise<Standing> {
  const job = await jobOf(db, id);
  const summary = fairCopyOf(job);
  if (!summary) return { findings: null, held: [] };
  const track = await log.load(summary.id);
  const ground = { style: job.style, rate: job.rate, length: job.recording?.length ?? null, language: track.language };
  const receipts = await db('receipts')
    .join('destinations', 'destinations.id', 'receipts.destination')
    .where('receipts.track', track.id)
    .orderBy('receipts.at', 'desc')
    .select<HeldRow[]>('destinations.name', 'receipts.state', 'receipts.edit');
  const newest = receipts.filter((r, i) => receipts.findIndex((other) => other.name === r.name) === i);
  return {
    findings: findIn(track.captions, ground).must,
    held: newest.map((r) => ({ destination: r.name, state: r.state, behind: r.edit < track.edit })),
  };
}
