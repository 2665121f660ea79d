/** Destinations, what is handed over to them, and the receipts of it. */
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import { plainly } from '../../core/formats/format.ts';
import { randomUUID } from 'node:crypto';
import { openAsBlob } from 'node:fs';
import { join } from 'node:path';
import type { Knex } from 'knex';
import type { Destination, Receipt } from '../../core/job/job.ts';
import { checked } from '../checked.ts';
import type { Config } from '../config.ts';
import { jobOf, jobRow } from '../jobs/store.ts';
import { folderOf } from '../recordings/keep.ts';
import { missing, Problem } from '../problem.ts';
import type { EditLog } from '../tracks/log.ts';
import { fileOf } from '../tracks/routes.ts';
import { putRecording, recordingAt, recordingsAt, send, watchPageOf, type DestinationRow } from './video-host.ts';

/** A receipt as its table has it, with what the destination said, word for word. */
interface ReceiptRow extends Receipt {
  readonly job: string;
  readonly answer: string;
}

const id = Joi.string().max(64).required();
const key = Joi.object<{ id: string }>({ id });
const address = Joi.string()
  .max(2000)
  .uri({ scheme: ['http', 'https'] })
  .custom((value: string) => {
    if (!URL.canParse(value)) throw new Error('is not an address');
    return value;
  });
const destination = Joi.object<{ name: string; kind: 'video-host'; url: string; token: string }>({
  name: Joi.string().trim().min(1).max(80).required(),
  kind: Joi.valid('video-host').required(),
  url: address.required(),
  // What can stand in a header.
  token: Joi.string()
    .pattern(/^[\x21-\x7e]+$/)
    .max(400)
    .required(),
});
const handover = Joi.object<{ track: string; destination: string; place: string; format: 'srt' | 'vtt' }>({
  track: id,
  destination: id,
  // Halves of a character can stand in no address.
  place: Joi.string()
    .max(200)
    .pattern(/\p{Cs}/u, { invert: true })
    .required(),
  format: Joi.valid('srt', 'vtt').required(),
});

const open = ({ token: _, ...rest }: DestinationRow): Destination => rest;

export function destinations(
  app: FastifyInstance,
  { db, log, config }: { db: Knex; log: EditLog; config: Config },
  done: () => void,
): void {
  async function find(wanted: string): Promise<DestinationRow> {
    const row = await db<DestinationRow>('destinations').where({ id: wanted }).first();
    if (!row) throw missing('This destination');
    return row;
  }

  app.get('/api/destinations', async () => (await db<DestinationRow>('destinations').orderBy('name')).map(open));

  app.put('/api/destinations/:id', async (request) => {
    const row = { ...checked(key, request.params), ...checked(destination, request.body) };
    await db('destinations').insert(row).onConflict('id').merge();
    return open(await find(row.id));
  });

  app.get('/api/destinations/:id/recordings', async (request) =>
    recordingsAt(await find(checked(key, request.params).id)),
  );

  app.post('/api/jobs/:id/places', async (request, reply) => {
    const job = await jobOf(db, checked(key, request.params).id);
    const to = await find(checked(Joi.object<{ destination: string }>({ destination: id }), request.body).destination);
    if (!job.recording) throw missing('The recording of this job');
    const { hash, type } = job.recording;
    const body = await openAsBlob(join(folderOf(config.data), hash)).catch(() => {
      throw missing('The file of this recording');
    });
    return reply
      .status(201)
      .send(await putRecording(to, job.id, { title: job.title, type, language: job.language }, body));
  });

  app.post('/api/jobs/:id/receipts', async (request, reply) => {
    const job = await jobRow(db, checked(key, request.params).id);
    const wanted = checked(handover, request.body);
    const to = await find(wanted.destination);
    const file = await fileOf(db, log, wanted.track, {
      format: wanted.format,
      soundNotes: false,
      labels: false,
      ...plainly,
    });
    if (file.job !== job.id) throw missing('This track');
    if (!file.text.includes('-->'))
      throw new Problem(
        422,
        'nothing-to-send',
        'There is no caption with words in this track yet, so nothing was sent.',
      );
    const answer = await send(to, wanted.place, file);
    const row: ReceiptRow = {
      id: randomUUID(),
      job: job.id,
      track: wanted.track,
      destination: to.id,
      place: wanted.place,
      file: file.name,
      edit: file.edit,
      state: answer.state,
      answer: JSON.stringify(answer),
      watch: null,
      at: Date.now(),
    };
    // It has been taken: that is kept before anything else is asked of the place.
    await db('receipts').insert(row);
    const watch = await recordingAt(to, wanted.place).then(
      (held) => watchPageOf(to, held),
      () => null,
    );
    if (watch) await db('receipts').where({ id: row.id }).update({ watch });
    return reply.status(201).send({ ...row, watch });
  });

  /** Asks the destination about a receipt that was still being processed, and keeps what it says. */
  async function refreshed(row: ReceiptRow): Promise<ReceiptRow> {
    if (row.state !== 'processing') return row;
    try {
      const held = await recordingAt(await find(row.destination), row.place);
      const receipt = (JSON.parse(row.answer) as { receipt: string }).receipt;
      const now = held.tracks.find((t) => t.receipt === receipt);
      if (!now || now.state === row.state) return row;
      const change = {
        state: now.state,
        answer: JSON.stringify(now),
        watch: watchPageOf(await find(row.destination), held),
      };
      await db('receipts').where({ id: row.id }).update(change);
      return { ...row, ...change };
    } catch (error) {
      // The destination being away changes nothing that is known about the receipt.
      if (error instanceof Problem) return row;
      throw error;
    }
  }

  app.get('/api/jobs/:id/receipts', async (request) => {
    const job = await jobRow(db, checked(key, request.params).id);
    const rows = await db<ReceiptRow>('receipts').where({ job: job.id }).orderBy('at', 'desc');
    return Promise.all(rows.map(refreshed));
  });
  done();
}
