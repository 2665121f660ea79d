/** What a job is called and spoken in, as a form has it. */
import type { Job } from '../../../core/job/job.ts';

export type JobHead = Pick<Job, 'title' | 'series' | 'language'>;

/** What of it was changed, without space around it: what somebody else changed meanwhile stays. Null where nothing was. */
export function changedOf(job: JobHead, typed: JobHead): Partial<JobHead> | null {
  const wanted: JobHead = { title: typed.title.trim(), series: typed.series.trim(), language: typed.language };
  const change = Object.fromEntries(
    (Object.keys(wanted) as (keyof JobHead)[]).flatMap((name) =>
      wanted[name] === job[name] ? [] : [[name, wanted[name]] as const],
    ),
  );
  return Object.keys(change).length === 0 ? null : change;
}
