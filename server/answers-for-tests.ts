/** What each route answers, as schemas, so that tests can hold every answer against the contract. */
import type { FastifyInstance } from 'fastify';
import Joi, { type AnySchema } from 'joi';
import { statusOf } from '../core/contract/error-codes.ts';
import { askOver, jsonOf } from '../core/contract/ask.ts';
import type { AnswerOf, Ask, RouteName } from '../core/contract/contract.ts';
import type { JobOpening } from '../core/contract/jobs.ts';
import type { StyleLibrary } from '../core/contract/styles.ts';
import type { HandedVersion } from '../core/contract/tracks.ts';
import type { VersionChanges } from '../core/model/track-versions.ts';
import type { Leased } from '../core/contract/work.ts';
import type {
  Destination,
  Held,
  Job,
  JobSummary,
  ListedRecording,
  Receipt,
  Recording,
  StyleUse,
  DeletedTrack,
  TrackSummary,
} from '../core/job/job.ts';
import { workKinds, type Work } from '../core/job/work.ts';
import { decodeStyle } from '../core/style/decode-style.ts';
import type { Regions, Stretch } from '../core/audio/regions.ts';
import type { HouseStyle } from '../core/style/style.ts';
import type { FrameRate } from '../core/timing/clock/frames.ts';
import { decodeCaption, decodeEdit } from '../core/model/decode.ts';
import type { LoggedTrack, Since } from '../core/model/logged.ts';
import { objectOf } from './http/validation.ts';

const strict = { convert: false, presence: 'required' } as const;

const text = Joi.string().allow('');
const whole = Joi.number().integer().min(0);
const nullable = { text: text.allow(null), whole: whole.allow(null) };
const list = (of: AnySchema) => Joi.array().items(of.optional());

const style = Joi.any().custom((value: unknown): HouseStyle => {
  const { style: read, faults } = decodeStyle(value);
  if (!read) throw new Error(faults.join(' '));
  return read;
});
const styleName = objectOf<Pick<HouseStyle, 'id' | 'name' | 'version'>>({ id: text, name: text, version: whole });
const recording = objectOf<Recording>({
  hash: Joi.string().hex().length(64),
  name: text,
  type: text,
  bytes: whole,
  length: nullable.whole,
  width: nullable.whole,
  height: nullable.whole,
  poster: Joi.boolean(),
});
const trackKind = Joi.string().valid('machine', 'captions', 'subtitles', 'transcript');
const ofTrack = {
  id: text,
  kind: trackKind,
  language: text,
  name: text,
  edit: whole,
  captions: whole,
  proofed: whole,
};
const trackSummary = objectOf<TrackSummary>(ofTrack);
const deletedTrack = objectOf<DeletedTrack>({ ...ofTrack, deleted: whole });
const stretch = objectOf<Stretch>({ start: whole, end: whole });
const receiptState = Joi.string().valid('sending', 'processing', 'live', 'refused');
const jobSummary = objectOf<JobSummary>({
  id: text,
  title: text,
  series: text,
  language: text,
  made: whole,
  style: styleName,
  recording: recording.allow(null),
  recordingBefore: objectOf<Pick<Recording, 'name'>>({ name: text }).allow(null),
  tracks: list(trackSummary),
  mustFindings: nullable.whole,
  held: list(objectOf<Held>({ destination: text, state: receiptState, behind: Joi.boolean() })),
});
const job = objectOf<Job>({
  id: text,
  title: text,
  series: text,
  language: text,
  made: whole,
  rate: objectOf<FrameRate>({ numerator: whole, denominator: whole }),
  style,
  recording: recording.allow(null),
  recordingBefore: recording.allow(null),
  soundTrack: whole,
  stretch: stretch.allow(null),
  tracks: list(trackSummary),
  deleted: list(deletedTrack),
});
const trackVersion = objectOf<HandedVersion>({
  edit: whole,
  at: whole,
  captions: whole,
  changed: objectOf<VersionChanges>({
    added: whole,
    removed: whole,
    reworded: whole,
    retimed: whole,
    proofed: whole,
    otherwise: whole,
  }),
  handed: list(text),
});
const loggedTrack = objectOf<LoggedTrack>({
  id: text,
  kind: trackKind,
  language: text,
  name: text,
  edit: whole,
  batch: nullable.text,
  captions: list(Joi.any().custom((value: unknown) => decodeCaption(value))),
  foreign: Joi.object().allow(null),
});
const since = objectOf<Since>({
  edit: whole,
  batch: nullable.text,
  since: list(Joi.any().custom((value: unknown) => decodeEdit(value))),
});
const destination = objectOf<Destination>({
  id: text,
  name: text,
  kind: Joi.string().valid('video-host'),
  url: text,
  takes: list(text),
});
const place = objectOf<ListedRecording>({
  id: text,
  title: text,
  tracks: list(
    Joi.object({
      language: text,
      kind: Joi.valid('machine', 'captions'),
      state: Joi.valid('processing', 'live', 'refused'),
    }),
  ),
});
const receipt = objectOf<Receipt>({
  id: text,
  track: text,
  destination: text,
  place: nullable.text,
  file: text,
  edit: whole,
  state: receiptState,
  reason: nullable.text,
  watch: nullable.text,
  at: whole,
});
const work = objectOf<Work>({
  id: text,
  kind: Joi.string().valid(...Object.keys(workKinds)),
  subject: text,
  job: nullable.text,
  by: Joi.string().valid('server', 'page'),
  state: Joi.string().valid('waiting', 'running', 'done', 'failed', 'stopped'),
  progress: Joi.number().min(0).max(1),
  tries: whole,
  reason: nullable.text,
  next: nullable.whole,
  made: whole,
  changed: whole,
});
const nothing = Joi.valid(null);
/** Bytes, which are looked at by the tests of their own routes. */
const bytes = Joi.any();

export const answers: Readonly<Record<RouteName, AnySchema>> = {
  'GET /api/health': objectOf<AnswerOf<'GET /api/health'>>({ fenwix: Joi.boolean().valid(true) }),
  'GET /api/jobs': list(jobSummary),
  'POST /api/jobs': job,
  'GET /api/jobs/:id': job,
  'GET /api/jobs/:id/opening': objectOf<JobOpening>({ job, track: loggedTrack.allow(null) }),
  'PATCH /api/jobs/:id': job,
  'DELETE /api/jobs/:id': nothing,
  'POST /api/jobs/:id/tracks': trackSummary,
  'POST /api/jobs/:id/moves': work,
  'PATCH /api/tracks/:id': trackSummary,
  'GET /api/tracks/:id': loggedTrack,
  'GET /api/tracks/:id/versions': list(trackVersion),
  'GET /api/tracks/:id/edits': since,
  'POST /api/tracks/:id/edits': objectOf<AnswerOf<'POST /api/tracks/:id/edits'>>({ edit: whole }),
  'GET /api/tracks/:id/file': bytes,
  'PUT /api/recordings': recording,
  'PATCH /api/recordings/:hash': recording,
  'GET /api/recordings/:hash/file': bytes,
  'PUT /api/recordings/:hash/poster': nothing,
  'GET /api/recordings/:hash/poster': bytes,
  'PUT /api/recordings/:hash/peaks': nothing,
  'GET /api/recordings/:hash/peaks': bytes,
  'PUT /api/recordings/:hash/regions': nothing,
  'GET /api/recordings/:hash/regions': objectOf<Regions>({ speech: list(stretch), sound: list(stretch) }),
  'GET /api/styles': objectOf<StyleLibrary>({ styles: list(style), own: list(text) }),
  'POST /api/styles': style,
  'PUT /api/styles/:id': style,
  'DELETE /api/styles/:id': nothing,
  'GET /api/style-uses': list(
    objectOf<StyleUse>({
      job: objectOf<StyleUse['job']>({ id: text, title: text }),
      style: styleName,
      standing: Joi.string().valid('same', 'earlier', 'changed', 'gone'),
    }),
  ),
  'GET /api/destinations': list(destination),
  'PUT /api/destinations/:id': destination,
  'GET /api/destinations/:id/recordings': list(place),
  'GET /api/jobs/:id/receipts': list(receipt),
  'POST /api/jobs/:id/receipts': receipt,
  'GET /api/work': list(work),
  'POST /api/work/:id/stop': work,
  'POST /api/work/:id/again': work,
  'POST /api/work/:id/lease': objectOf<Leased>({
    work,
    parts: list(objectOf<Leased['parts'][number]>({ number: whole, part: Joi.any() })),
  }),
  'PUT /api/work/:id/parts/:number': work,
  'POST /api/work/:id/end': work,
  'GET /api/events': bytes,
};

const refusal = Joi.object({
  code: Joi.valid(...Object.keys(statusOf)),
  message: Joi.string().min(1),
  details: Joi.any(),
});

/** Holds an answer against the contract. @throws {Error} naming what is not as it should be */
export function holdAnswer(route: RouteName, status: number, body: unknown): void {
  const schema = status >= 400 ? refusal : answers[route];
  const { error } = schema.validate(body, strict);
  if (error)
    throw new Error(`${route} answered ${String(status)} in another form than the contract has: ${error.message}`);
}

/** Asks a server in this process by the contract, and holds each answer against it. @throws {ApiError} */
export const askAndHold =
  (app: () => FastifyInstance): Ask =>
  (route, ...args) =>
    askOver(async ({ method, url, body }) => {
      const headers = { host: 'localhost' };
      const sent = body === undefined ? {} : { payload: body as object };
      const answer = await app().inject({ method, url, headers, ...sent });
      holdAnswer(route, answer.statusCode, jsonOf(answer.body));
      return { status: answer.statusCode, text: answer.body };
    })(route, ...args);
