/** Destinations, what is handed over to them, and the receipts of it. */
import { nothingLeftOut } from '../../core/handover/leave-out.ts';
import { plainly } from '../../core/formats/sheet.ts';
import { writable } from '../../core/formats/registry.ts';
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Knex } from 'knex';
import { ApiError } from '../../core/contract/api-error.ts';
import type { NewDestination, NewReceipt } from '../../core/contract/destinations.ts';
import { mostCharacters } from '../../core/contract/limits.ts';
import type { ListedRecording } from '../../core/job/job.ts';
import type { Config } from '../config.ts';
import type { Changes } from '../changes.ts';
import { idTaken, missing } from '../http/errors.ts';
import { route } from '../http/route.ts';
import { byId, id, objectOf } from '../http/validation.ts';
import { jobRow } from '../jobs/store.ts';
import { fileOf } from '../tracks/file.ts';
import type { EditLog } from '../tracks/log.ts';
import type { WorkQueue } from '../work/queue.ts';
import { addWork } from '../work/store.ts';
import type { DestinationRow, RecordingThere } from './destination.ts';
import { handleHandover, resumeReceipts } from './handover.ts';
import { destinationKinds } from './kinds.ts';
import { destinationRow, openDestination, openReceipt, type ReceiptRow } from './store.ts';

const address = Joi.string()
  .max(mostCharacters.address)
  .uri({ scheme: ['http', 'https'] })
  .custom((value: string, { message }) =>
    URL.canParse(value) ? value : message({ custom: '{{#label}} is not an address' }),
  );
const newDestination = objectOf<NewDestination>({
  name: Joi.string().trim().min(1).max(mostCharacters.destinationName).required(),
  kind: Joi.string()
    // eslint-disable-next-line no-restricted-syntax -- a handful
    .valid(...Object.keys(destinationKinds))
    .required(),
  url: address.required(),
  // What can stand in a header.
  token: Joi.string()
    .pattern(/^[\x21-\x7e]+$/)
    .max(mostCharacters.token)
    .required(),
});
const newReceipt = objectOf<NewReceipt>({
  id: id.required(),
  track: id.required(),
  destination: id.required(),
  // Halves of a character can stand in no address.
  place: Joi.string()
    .max(mostCharacters.place)
    .pattern(/\p{Cs}/u, { invert: true })
    .allow(null)
    .required(),
  format: Joi.string()
    // eslint-disable-next-line no-restricted-syntax -- a handful
    .valid(...writable.map((f) => f.name))
    .required(),
});

/** A recording there, as it is given out. */
const placeOf = ({ id: place, title, tracks }: RecordingThere): ListedRecording => ({
  id: place,
  title,
  tracks: tracks.map(({ language, kind, state }) => ({ language, kind, state })),
});

interface DestinationsNeeds {
  readonly db: Knex;
  readonly log: EditLog;
  readonly config: Config;
  readonly change: Changes['change'];
  readonly queue: WorkQueue;
}

/** Routes of destinations and receipts, as a plugin; handing over goes through the queue. */
export function destinations(
  app: FastifyInstance,
  { db, log, config, change, queue }: DestinationsNeeds,
  done: () => void,
): void {
  handleHandover({ db, log, queue, data: config.data });
  app.addHook('onReady', async () => {
    await change(resumeReceipts);
  });

  route(app, 'GET /api/destinations', {}, async () =>
    (await db<DestinationRow>('destinations').orderBy('name')).map(openDestination),
  );

  route(app, 'PUT /api/destinations/:id', { params: byId, body: newDestination }, async ({ params, body }) => {
    await change((tx) =>
      tx<DestinationRow>('destinations')
        .insert({ ...params, ...body })
        .onConflict('id')
        .merge(),
    );
    return openDestination(await destinationRow(db, params.id));
  });

  route(app, 'GET /api/destinations/:id/recordings', { params: byId }, async ({ params }) => {
    const to = await destinationRow(db, params.id);
    return (await destinationKinds[to.kind].recordings(to)).map(placeOf);
  });

  route(app, 'POST /api/jobs/:id/receipts', { params: byId, body: newReceipt }, async ({ params, body }, reply) => {
    const job = await jobRow(db, params.id);
    const to = openDestination(await destinationRow(db, body.destination));
    if (!to.takes.includes(body.format))
      throw new ApiError('not-taken', `${to.name} takes no file of this format. Nothing was sent.`);
    const options = { format: body.format, ...nothingLeftOut, ...plainly };
    const file = await fileOf(db, log, body.track, options);
    if (file.job !== job.id) throw missing('This track');
    if (file.isEmpty)
      throw new ApiError(
        'nothing-to-send',
        'There is no caption with words and a time in this track yet, so nothing was sent.',
      );
    if (body.place === null && job.recording === null) throw missing('The recording of this job');
    const row: ReceiptRow = {
      ...body,
      job: job.id,
      file: file.name,
      edit: file.edit,
      state: 'sending',
      reason: null,
      answer: null,
      watch: null,
      at: Date.now(),
    };
    const kept = await change(async (tx, say) => {
      const before = await tx<ReceiptRow>('receipts').where({ id: row.id }).first();
      if (before) return before;
      await tx<ReceiptRow>('receipts').insert(row);
      await addWork(tx, say, {
        kind: row.place === null ? 'bring-recording' : 'send-captions',
        subject: row.id,
        job: job.id,
      });
      say({ what: 'job', job: job.id });
      return null;
    });
    if (kept && (kept.job !== job.id || kept.track !== body.track || kept.destination !== body.destination))
      throw idTaken('receipt');
    void reply.status(kept ? 200 : 201);
    return openReceipt(kept ?? row);
  });

  route(app, 'GET /api/jobs/:id/receipts', { params: byId }, async ({ params }) => {
    const job = await jobRow(db, params.id);
    return (await db<ReceiptRow>('receipts').where({ job: job.id }).orderBy('at', 'desc')).map(openReceipt);
  });
  done();
}
