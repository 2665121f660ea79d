/** Asks the server directly, beside the interface. */
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { askOver } from '../../core/contract/ask.ts';
import { urlOf, type Ask } from '../../core/contract/contract.ts';
import type { Measured } from '../../core/contract/recordings.ts';
import type { Caption } from '../../core/model/caption.ts';

/** @param address where the server listens, looked up at each question */
export const asking = (address: () => string): Ask =>
  askOver(async ({ method, url, body }) => {
    const response = await fetch(`${address()}${url}`, {
      method,
      ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
    return { status: response.status, text: await response.text() };
  });

/** The captions of a track, as the server has them. */
export const captionsOf = async (ask: Ask, track: string): Promise<readonly Caption[]> =>
  (await ask('GET /api/tracks/:id', { params: { id: track } })).captions;

/** Sends a recording to the server, and what a page would have measured of it. @returns its hash */
export async function uploaded(
  address: string,
  name: string,
  bytes: Uint8Array<ArrayBuffer>,
  measured: Measured,
): Promise<string> {
  const sent = await fetch(`${address}${urlOf('PUT /api/recordings', { query: { name } })}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/octet-stream' },
    body: bytes,
  });
  const { hash } = (await sent.json()) as { readonly hash: string };
  await asking(() => address)('PATCH /api/recordings/:hash', { params: { hash }, body: measured });
  return hash;
}

/** Half a minute of the demo, as sent to the server. */
export const uploadedFog = (address: string): Promise<string> =>
  uploaded(address, 'fog-signals.webm', readFileSync('demo/recordings/fog-signals/recording.webm'), {
    length: 31_520,
    width: 540,
    height: 960,
  });

/** Makes a job, with a recording where one is named by its hash, whose fair copy holds these captions. */
export async function jobWith(
  ask: Ask,
  title: string,
  captions: readonly Caption[],
  { language = 'en-GB', recording = null }: { readonly language?: string; readonly recording?: string | null } = {},
): Promise<{ readonly job: string; readonly track: string }> {
  const [job, track] = [randomUUID(), randomUUID()];
  const made = { id: track, kind: 'captions', language, name: 'fair copy', captions } as const;
  await ask('POST /api/jobs', { body: { id: job, title, language, style: 'lecture-38', recording, tracks: [made] } });
  return { job, track };
}
