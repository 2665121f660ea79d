/** Asks the server directly, beside the interface. */
import { randomUUID } from 'node:crypto';
import type { Job } from '../../core/job/job.ts';
import type { Caption } from '../../core/track/caption.ts';

export type Ask = <T>(method: string, path: string, body?: object) => Promise<T>;

/** @param address where the server listens, looked up at each question @throws {Error} with what a refusal says */
export const asking =
  (address: () => string): Ask =>
  async <T>(method: string, path: string, body?: object): Promise<T> => {
    const response = await fetch(`${address()}/api${path}`, {
      method,
      ...(body ? { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) } : {}),
    });
    if (!response.ok) throw new Error(await response.text());
    return (response.status === 204 ? undefined : await response.json()) as T;
  };

/** Makes a job without a recording whose fair copy holds these captions. */
export async function jobWith(
  ask: Ask,
  title: string,
  captions: readonly Caption[],
  language = 'en-GB',
): Promise<{ readonly job: string; readonly track: string }> {
  const [job, track] = [randomUUID(), randomUUID()];
  const made = { id: track, kind: 'captions', language, name: 'fair copy', captions };
  await ask<Job>('POST', '/jobs', { id: job, title, language, style: 'lecture-38', tracks: [made] });
  return { job, track };
}
