/** Destinations that are video hosts: they hold recordings, each with captions by language. */
import Joi, { type AnySchema } from 'joi';
import { createReadStream } from 'node:fs';
import { ApiError } from '../../core/contract/api-error.ts';
import { objectOf } from '../http/validation.ts';
import type { DestinationKindAdapter, DestinationRow, RecordingThere, TrackThere } from './destination.ts';

/** Longest message of a destination that is shown or kept, in characters. */
const longestMessage = 300;

const short = (text: string): string =>
  text.length > longestMessage ? `${text.slice(0, longestMessage).replace(/\p{Cs}/gu, '')}…` : text;

const key = Joi.string().max(200).allow(null).default(null);
const trackThere = objectOf<TrackThere>({
  language: Joi.string().max(35).required(),
  kind: Joi.string().valid('machine', 'captions').required(),
  state: Joi.string().valid('processing', 'live', 'refused').required(),
  receipt: Joi.string().max(200).required(),
  key,
  message: Joi.string().allow('').default('').custom(short),
}).unknown();
const recordingThere = objectOf<RecordingThere>({
  id: Joi.string().max(200).required(),
  title: Joi.string().allow('').max(1000).required(),
  watch: Joi.string().max(2000).required(),
  key,
  tracks: Joi.array().items(trackThere).max(1000).required(),
}).unknown();
const recordingsThere = Joi.array<readonly RecordingThere[]>().items(recordingThere).max(10_000);

/** How long a destination may take to answer, in ms; a recording may be long on its way. */
const patience = 15_000;
const patienceWithRecordings = 3_600_000;
/** Longest answer that is read, in bytes. */
const longestAnswer = 4 * 1024 * 1024;

interface Sent {
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string | ReadableStream<Uint8Array>;
}

interface Question {
  readonly path: string;
  readonly sent?: Sent;
  readonly signal?: AbortSignal | undefined;
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
function wasNotSent(error: unknown): boolean {
  const cause = (error as { cause?: { code?: unknown } }).cause;
  return ['ECONNREFUSED', 'ENOTFOUND', 'EAI_AGAIN', 'EHOSTUNREACH', 'ENETUNREACH'].includes(String(cause?.code));
}

async function ask<T>(to: DestinationRow, schema: AnySchema<T>, { path, sent, signal }: Question): Promise<T> {
  const unsure = sent
    ? `Whether it has arrived is not known; ${to.name} is asked before anything is sent again. Your captions are safe here.`
    : 'Your captions are safe here and nothing was changed there.';
  const within = AbortSignal.timeout(typeof sent?.body === 'object' ? patienceWithRecordings : patience);
  let response: Response;
  let body: unknown;
  try {
    response = await fetch(new URL(path, to.url), {
      ...(sent ? { method: 'PUT', body: sent.body, duplex: 'half' } : {}),
      headers: { ...sent?.headers, authorization: `Bearer ${to.token}` },
      signal: signal ? AbortSignal.any([signal, within]) : within,
      redirect: 'error',
    });
    body = await bodyOf(response);
  } catch (error) {
    throw new ApiError(
      'destination-away',
      wasNotSent(error)
        ? `${to.name} cannot be reached. Your captions are safe here and nothing was sent; it is tried again.`
        : `The connection to ${to.name} broke off. ${unsure}`,
    );
  }
  if (!response.ok) {
    const said =
      typeof body === 'object' && body !== null && 'message' in body && typeof body.message === 'string'
        ? short(body.message)
        : `it answered ${String(response.status)}`;
    // Out of order for a while is not the same as a refusal.
    if (response.status >= 500 || response.status === 429)
      throw new ApiError(
        'destination-away',
        `${to.name} cannot take it now: ${said}. Your captions are safe here; it is tried again.`,
      );
    throw new ApiError(
      'destination-refused',
      `${to.name} refused: ${said}. Your captions are safe here; what it held before it still holds.`,
    );
  }
  const checked = schema.required().validate(body, { stripUnknown: true, convert: false });
  if (checked.error)
    throw new ApiError(
      'destination-unclear',
      `${to.name} answered in a way that Fenwix does not understand. ${unsure}`,
    );
  return checked.value;
}

/** A file as a stream that tells how much of it has gone. */
function streamOf(path: string, bytes: number, progress: (share: number) => void): ReadableStream<Uint8Array> {
  let gone = 0;
  const parts = createReadStream(path)[Symbol.asyncIterator]() as AsyncIterator<Uint8Array>;
  return new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { done, value } = (await parts.next()) as IteratorResult<Uint8Array, undefined>;
      if (done) {
        controller.close();
        return;
      }
      gone += value.length;
      progress(bytes > 0 ? gone / bytes : 0);
      controller.enqueue(value);
    },
    async cancel() {
      await parts.return?.();
    },
  });
}

const placePath = (place: string): string => `/recordings/${encodeURIComponent(place)}`;

export const videoHost: DestinationKindAdapter = {
  takes: ['srt', 'vtt'],
  recordings: (to) => ask(to, recordingsThere, { path: '/recordings' }),
  recording: (to, place, signal) => ask(to, recordingThere, { path: placePath(place), signal }),
  send: (to, place, deliveryKey, { name, text, mediaType }, signal) =>
    ask(to, trackThere, {
      path: `${placePath(place)}/tracks/${encodeURIComponent(name)}`,
      // As draft-ietf-httpapi-idempotency-key-header has it.
      sent: { headers: { 'content-type': mediaType, 'idempotency-key': deliveryKey }, body: text },
      signal,
    }),
  bring: (to, bringKey, { path, bytes, type, title, language }, signal, progress) =>
    ask(to, recordingThere, {
      path: `${placePath(bringKey)}?${new URLSearchParams({ title, type, language }).toString()}`,
      sent: {
        headers: { 'content-type': 'application/octet-stream' },
        body: streamOf(path, bytes, progress),
      },
      signal,
    }),
};
