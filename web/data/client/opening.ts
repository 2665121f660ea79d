/** A job and its track on their way from the server, asked for before whoever shows them is there. */
import type { JobOpening } from '../../../core/contract/jobs.ts';
import { ask } from './client.ts';

export interface Opening {
  readonly job: string;
  readonly answer: Promise<JobOpening>;
}

/** Asks for a job and the track it is opened with. @param chosen the track that was chosen last */
export function beginOpening(job: string, chosen: string | null): Opening {
  const query = chosen === null ? {} : { track: chosen };
  const answer = ask('GET /api/jobs/:id/opening', { params: { id: job }, query });
  // Whoever takes it hears why it failed.
  answer.catch(() => undefined);
  return { job, answer };
}
