/** The orders in which the list of jobs can stand. */
import type { JobSummary } from '../../../core/job/job.ts';
import { proofedShare } from '../../ui/describe/jobs.ts';

export const jobOrders = [
  { value: 'made', title: 'newest' },
  { value: 'title', title: 'title' },
  { value: 'length', title: 'length' },
  { value: 'proofed', title: 'least proofed' },
] as const;
export type JobOrder = (typeof jobOrders)[number]['value'];

const by: Readonly<Record<JobOrder, (a: JobSummary, b: JobSummary) => number>> = {
  made: (a, b) => b.made - a.made,
  title: (a, b) => a.title.localeCompare(b.title),
  length: (a, b) => (b.recording?.length ?? 0) - (a.recording?.length ?? 0),
  proofed: (a, b) => proofedShare(a) - proofedShare(b),
};

/** The jobs whose title or series has the words in it, whatever their case, in an order. */
export function jobsFound(jobs: readonly JobSummary[], words: string, order: JobOrder): JobSummary[] {
  const wanted = words.trim().toLowerCase();
  return jobs.filter((j) => `${j.title} ${j.series}`.toLowerCase().includes(wanted)).sort(by[order]);
}
