/** Jobs: made, listed, changed, deleted with everything of theirs. */
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Knex } from 'knex';
import type { JobChange, NewJob } from '../../core/contract/jobs.ts';
import { most, mostCharacters } from '../../core/contract/limits.ts';
import { titleFault } from '../../core/contract/title.ts';
import { trackToOpen } from '../../core/job/job.ts';
import type { Stretch } from '../../core/audio/regions.ts';
import type { FrameRate } from '../../core/timing/clock/frames.ts';
import type { Config } from '../config.ts';
import { emptyLog } from '../database/open.ts';
import type { Changes } from '../changes.ts';
import { idTaken, missing } from '../http/errors.ts';
import { route } from '../http/route.ts';
import { byId, checkedText, hash, id, languageTag, objectOf, soundTrackNumber } from '../http/validation.ts';
import { removeUnused } from '../recordings/sweep.ts';
import { hashOf } from '../requested.ts';
import { styleFrom } from '../styles/routes.ts';
import { styleOf } from '../styles/store.ts';
import type { EditLog } from '../tracks/log.ts';
import { newTrack } from '../tracks/routes.ts';
import { makeTrack } from '../tracks/make-track.ts';
import { decodeTrack, type ReceivedTrack, type TrackRow } from '../tracks/store.ts';
import { jobList } from './list.ts';
import { withRecording } from './change-recording.ts';
import { jobOf, jobRow, type JobRow } from './store.ts';

type ReceivedJob = Required<Omit<NewJob, 'tracks' | 'recordingName'>> &
  Pick<NewJob, 'recordingName'> & { readonly tracks: readonly ReceivedTrack[] };

const title = checkedText(titleFault);
const series = Joi.string().trim().allow('').max(mostCharacters.series);
const frames = Joi.number().integer().min(1).required();
const rate = objectOf<FrameRate>({ numerator: frames, denominator: frames });
const ms = Joi.number().integer().min(0).required();
const stretch = objectOf<Stretch>({ start: ms, end: ms.greater(Joi.ref('start')) });
const recordingName = Joi.string().max(mostCharacters.recordingName);
const newJob = objectOf<ReceivedJob>({
  id: id.required(),
  title: title.required(),
  series: series.default(''),
  language: languageTag.required(),
  rate: rate.default({ numerator: 25, denominator: 1 }),
  style: id.required(),
  recording: hash.allow(null).default(null),
  recordingName,
  tracks: Joi.array().items(newTrack).max(most.tracks).default([]),
});
const opening = objectOf<{ readonly track?: string }>({ track: id });
const change = objectOf<JobChange>({
  title,
  series,
  language: languageTag,
  // A style that is sent whole is read by the decoder in core.
  style: Joi.alternatives(id, Joi.object()),
  recording: hash,
  recordingName,
  rate,
  soundTrack: soundTrackNumber,
  stretch: stretch.allow(null),
}).min(1);

/** The columns that a change writes as it comes. */
const columnsOf = ({ title, series, language, rate, soundTrack, stretch }: JobChange): Partial<JobRow> => ({
  ...(title === undefined ? {} : { title }),
  ...(series === undefined ? {} : { series }),
  ...(language === undefined ? {} : { language }),
  ...(rate === undefined ? {} : { rate: JSON.stringify(rate) }),
  ...(soundTrack === undefined ? {} : { sound_track: soundTrack }),
  ...(stretch === undefined ? {} : { stretch: stretch && JSON.stringify(stretch) }),
});

/** Routes of jobs and their list, as a plugin. */
export function jobs(
  app: FastifyInstance,
  { db, config, log, changes }: { db: Knex; config: Config; log: EditLog; changes: Changes },
  done: () => void,
): void {
  const { change: changing } = changes;
  const list = jobList(db, changes);
  route(app, 'GET /api/jobs', {}, list);

  route(app, 'POST /api/jobs', { body: newJob }, async ({ body: { tracks: received, ...wanted } }, reply) => {
    const tracks = received.map(decodeTrack);
    const asked = hashOf({ ...wanted, tracks });
    const style = JSON.stringify(await styleOf(db, wanted.style));
    const made = await changing(async (tx, say) => {
      const before = await tx<JobRow>('jobs').where({ id: wanted.id }).first();
      if (before && before.asked !== asked) throw idTaken('job');
      if (before) return false;
      if (wanted.recording !== null && !(await tx('recordings').where({ hash: wanted.recording }).first()))
        throw missing('The recording of this job');
      const { recordingName: recording_name = null, ...rest } = wanted;
      await tx('jobs').insert({
        ...rest,
        recording_name,
        rate: JSON.stringify(wanted.rate),
        style,
        made: Date.now(),
        asked,
      });
      for (const track of tracks) await makeTrack(tx, log, wanted.id, track);
      say({ what: 'job', job: wanted.id });
      return true;
    });
    void reply.status(made ? 201 : 200);
    return jobOf(db, wanted.id);
  });

  route(app, 'GET /api/jobs/:id', { params: byId }, ({ params }) => jobOf(db, params.id));

  route(app, 'GET /api/jobs/:id/opening', { params: byId, query: opening }, async ({ params, query }) => {
    const job = await jobOf(db, params.id);
    const track = trackToOpen(job, query.track ?? null);
    return { job, track: track && (await log.load(track.id)) };
  });

  route(app, 'PATCH /api/jobs/:id', { params: byId, body: change }, async ({ params: { id: job }, body }) => {
    const { style, recording, recordingName: called = null } = body;
    const chosen = typeof style === 'string' ? await styleOf(db, style) : style === undefined ? null : styleFrom(style);
    await changing(async (tx, say) => {
      const row = await jobRow(tx, job);
      await tx<JobRow>('jobs')
        .where({ id: job })
        .update({
          ...(await withRecording(tx, row, recording ?? row.recording, called)),
          ...(chosen === null ? {} : { style: JSON.stringify(chosen) }),
          ...columnsOf(body),
        });
      say({ what: 'job', job });
    });
    return jobOf(db, job);
  });

  route(app, 'DELETE /api/jobs/:id', { params: byId }, async ({ params: { id: job } }) => {
    const { recording, recording_before: before } = await changing(async (tx, say) => {
      const row = await jobRow(tx, job);
      const tracks = await tx<TrackRow>('tracks').where({ job }).select('id');
      await tx('jobs').where({ id: job }).delete();
      say({ what: 'gone', job, tracks: tracks.map((t) => t.id) });
      return row;
    });
    for (const hash of [recording, before]) if (hash) await removeUnused(db, config.data, hash);
    await emptyLog(db);
    return null;
  });
  done();
}
