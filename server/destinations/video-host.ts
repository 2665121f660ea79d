/** Talks to a video host: lists its recordings, sends a caption file, asks how it fares. What it answers is believed only as far as a schema goes. */
import Joi, { type AnySchema } from 'joi';
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

/** Longest message of a destination that is shown or kept, in characters. */
const longestMessage = 300;

const short = (text: string): string =>
  text.length > longestMessage ? `${text.slice(0, longestMessage).replace(/\p{Cs}/gu, '')}…` : text;

const hostTrack = Joi.object<HostTrack>({
  language: Joi.string().max(35).required(),
  kind: Joi.valid('machine', 'captions').required(),
  state: Joi.valid('processing', 'live', 'refused').required(),
  receipt: Joi.string().max(200).required(),
  message: Joi.string().allow('').default('').custom(short),
}).unknown();
const hostRecording = Joi.object<HostRecording>({
  id: Joi.string().max(200).required(),
  title: Joi.string().allow('').max(1000).required(),
  watch: Joi.string().max(2000).required(),
  tracks: Joi.array().items(hostTrack).max(1000).required(),
}).unknown();
const hostRecordings = Joi.array().items(hostRecording).max(10_000);

/** How long a destination may take to answer, in ms; a recording may be long on its way. */
const patience = 15_000;
const patienceWithRecordings = 3_600_000;
/** Longest answer that is read, in bytes. */
const longestAnswer = 4 * 1024 * 1024;

interface Sent {
  readonly method: 'PUT';
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string | Blob;
}

/** Reads an answer up to the limit; null for what is no JSON. @throws when it breaks off or drips on past the time */
async function bodyOf(response: Response): Promise<unknown> {
  const parts: Uint8Array[] = [];
  let bytes = 0;
  const reader = response.body?.getReader();
  for (let part = await reader?.read(); part?.value; part = await reader?.read()) {
    bytes += part.value.length;
    if (bytes > longestAnswer) {
      await reader?.cancel();
      return null;
    }
    parts.push(part.value);
  }
  try {
    return JSON.parse(Buffer.concat(parts).toString('utf8')) as unknown;
  } catch {
    return null;
  }
}

/** Whether a request never left: nobody was there to take it. */
function neverLeft(error: unknown): boolean {
  const cause = (error as { cause?: { code?: unknown } }).cause;
  return ['ECONNREFUSED', 'ENOTFOUND', 'EAI_AGAIN', 'EHOSTUNREACH', 'ENETUNREACH'].includes(String(cause?.code));
}

async function ask<T>(to: DestinationRow, path: string, schema: AnySchema<T>, sent?: Sent): Promise<T> {
  const unsure = sent
    ? `Whether it has arrived is not known: look at ${to.name} before you send it again. Your captions are safe here.`
    : 'Your captions are safe here and nothing was changed there.';
  let response: Response;
  let body: unknown;
  try {
    response = await fetch(new URL(path, to.url), {
      ...sent,
      headers: { ...sent?.headers, authorization: `Bearer ${to.token}` },
      signal: AbortSignal.timeout(typeof sent?.body === 'object' ? patienceWithRecordings : patience),
      redirect: 'error',
    });
    body = await bodyOf(response);
  } catch (error) {
    throw new Problem(
      502,
      'destination-away',
      neverLeft(error)
        ? `${to.name} cannot be reached. Your captions are safe here and nothing was sent; try again when it is back.`
        : `The connection to ${to.name} broke off. ${unsure}`,
    );
  }
  if (!response.ok) {
    const said =
      typeof body === 'object' && body !== null && 'message' in body && typeof body.message === 'string'
        ? short(body.message)
        : `it answered ${String(response.status)}`;
    throw new Problem(
      502,
      'destination-refused',
      `${to.name} refused: ${said}. Your captions are safe here; what it held before it still holds.`,
    );
  }
  const checked = schema.required().validate(body, { stripUnknown: true, convert: false });
  if (checked.error)
    throw new Problem(
      502,
      'destination-unclear',
      `${to.name} answered in a way that Fenwix does not understand. ${unsure}`,
    );
  return checked.value;
}

/** The page a destination shows a recording on; null where what it says is no address of the web. */
export function watchPageOf(to: DestinationRow, { watch }: HostRecording): string | null {
  if (!URL.canParse(watch, to.url)) return null;
  const page = new URL(watch, to.url);
  return page.protocol === 'http:' || page.protocol === 'https:' ? page.href : null;
}

export const recordingsAt = (to: DestinationRow): Promise<HostRecording[]> => ask(to, '/recordings', hostRecordings);

export const recordingAt = (to: DestinationRow, place: string): Promise<HostRecording> =>
  ask(to, `/recordings/${encodeURIComponent(place)}`, hostRecording);

export const send = (
  to: DestinationRow,
  place: string,
  file: { readonly name: string; readonly text: string; readonly mediaType: string },
): Promise<HostTrack> =>
  ask(to, `/recordings/${encodeURIComponent(place)}/tracks/${encodeURIComponent(file.name)}`, hostTrack, {
    method: 'PUT',
    headers: { 'content-type': file.mediaType },
    body: file.text,
  });

/** Puts a recording there, so that captions can be handed over for it. @param id this side's name for it */
export const putRecording = (
  to: DestinationRow,
  id: string,
  about: { readonly title: string; readonly type: string; readonly language: string },
  body: Blob,
): Promise<HostRecording> =>
  ask(to, `/recordings/${encodeURIComponent(id)}?${new URLSearchParams(about).toString()}`, hostRecording, {
    method: 'PUT',
    headers: { 'content-type': 'application/octet-stream' },
    body,
  });
