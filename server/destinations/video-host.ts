/** Talks to a video host: lists its recordings, sends a caption file, asks how it fares. */
import type { Destination } from '../../core/job/job.ts';
import { Problem } from '../problem.ts';

/** A destination with what it takes to reach it; the token never leaves the server. */
export interface DestinationRow extends Destination {
  readonly token: string;
}

export interface HostTrack {
  readonly language: string;
  readonly kind: 'machine' | 'captions';
  readonly state: 'processing' | 'live' | 'refused';
  readonly receipt: string;
  readonly message: string;
}

export interface HostRecording {
  readonly id: string;
  readonly title: string;
  readonly watch: string;
  readonly tracks: readonly HostTrack[];
}

/** How long a destination may take to answer, in ms; a recording may be long on its way. */
const patience = 15_000;
const patienceWithRecordings = 3_600_000;

interface Sent {
  readonly method: 'PUT';
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string | Blob;
}

async function ask(to: DestinationRow, path: string, sent?: Sent): Promise<unknown> {
  let response: Response;
  try {
    response = await fetch(new URL(path, to.url), {
      ...sent,
      headers: { ...sent?.headers, authorization: `Bearer ${to.token}` },
      signal: AbortSignal.timeout(typeof sent?.body === 'object' ? patienceWithRecordings : patience),
      redirect: 'error',
    });
  } catch {
    throw new Problem(
      502,
      'destination-away',
      `${to.name} cannot be reached. Your captions are safe here and nothing was sent; try again when it is back.`,
    );
  }
  const body: unknown = await response.json().catch(() => null);
  if (response.ok) return body;
  const said =
    typeof body === 'object' && body !== null && 'message' in body
      ? String(body.message)
      : `it answered ${String(response.status)}`;
  throw new Problem(
    502,
    'destination-refused',
    `${to.name} refused: ${said}. Your captions are safe here; what it held before it still holds.`,
  );
}

export const recordingsAt = async (to: DestinationRow): Promise<HostRecording[]> =>
  (await ask(to, '/recordings')) as HostRecording[];

export const recordingAt = async (to: DestinationRow, place: string): Promise<HostRecording> =>
  (await ask(to, `/recordings/${encodeURIComponent(place)}`)) as HostRecording;

export const send = async (
  to: DestinationRow,
  place: string,
  file: { readonly name: string; readonly text: string; readonly mediaType: string },
): Promise<HostTrack> =>
  (await ask(to, `/recordings/${encodeURIComponent(place)}/tracks/${encodeURIComponent(file.name)}`, {
    method: 'PUT',
    headers: { 'content-type': file.mediaType },
    body: file.text,
  })) as HostTrack;

/** Puts a recording there, so that captions can be handed over for it. @param id this side's name for it */
export const putRecording = async (
  to: DestinationRow,
  id: string,
  about: { readonly title: string; readonly type: string; readonly language: string },
  body: Blob,
): Promise<HostRecording> =>
  (await ask(to, `/recordings/${encodeURIComponent(id)}?${new URLSearchParams(about).toString()}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/octet-stream' },
    body,
  })) as HostRecording;
