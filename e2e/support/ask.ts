/** Asks the server directly, beside the interface. */
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

/** So many captions are sent at a time. */
const part = 500;

/** Makes a job without a recording whose fair copy holds these captions. */
export async function jobWith(
  ask: Ask,
  title: string,
  captions: readonly Caption[],
): Promise<{ readonly job: string; readonly track: string }> {
  const job = await ask<Job>('POST', '/jobs', { title, language: 'en-GB', style: 'lecture-38' });
  const made = { kind: 'captions', language: 'en-GB', name: 'fair copy' };
  const { id: track } = await ask<{ id: string }>('POST', `/jobs/${job.id}/tracks`, made);
  for (let i = 0; i < captions.length; i += part)
    await ask('POST', `/tracks/${track}/edits`, {
      id: `part ${String(i)}`,
      base: i / part,
      edits: [{ type: 'insert', captions: captions.slice(i, i + part) }],
    });
  return { job: job.id, track };
}
