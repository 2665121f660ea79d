/** The small pictures that stand for recordings in lists: drawn by a page, kept by the hash of the recording. */
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { ApiError } from '../../core/contract/api-error.ts';
import type { Changes, Say } from '../changes.ts';
import { missing } from '../http/errors.ts';
import { route } from '../http/route.ts';
import { byHash } from '../http/validation.ts';
import { bytesOf } from './bytes-of.ts';
import { addWork, type WorkRow } from '../work/store.ts';
import { recordingOf, type PosterRow, type RecordingRow } from './store.ts';

/** A page that brings a recording in draws its picture itself; others leave it alone for so long, in ms. */
const drawnByOthersAfter = 60_000;

/** JPEG (ITU-T T.81) and WebP (RFC 9649) by their first bytes; null for anything else. */
function typeOfPicture(bytes: Buffer): string | null {
  if (bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))) return 'image/jpeg';
  const riff = bytes.toString('latin1', 0, 4) === 'RIFF' && bytes.toString('latin1', 8, 12) === 'WEBP';
  return riff ? 'image/webp' : null;
}

/** Asks for the picture of a recording that has one and none is kept of. */
export async function wantPoster(
  tx: Knex,
  say: Say,
  { hash, width }: Pick<RecordingRow, 'hash' | 'width'>,
): Promise<void> {
  if (!width || (await tx('posters').where({ hash }).select('hash').first())) return;
  await addWork(tx, say, { kind: 'draw-poster', subject: hash, job: null, next: Date.now() + drawnByOthersAfter });
}

/** Routes of the pictures that stand for recordings, as a plugin. */
export function posters(
  app: FastifyInstance,
  { db, change }: { db: Knex } & Pick<Changes, 'change'>,
  done: () => void,
): void {
  app.addHook('onReady', async () => {
    await change(async (tx, say) => {
      for (const row of await tx<RecordingRow>('recordings').where('width', '>', 0)) await wantPoster(tx, say, row);
    });
  });

  route(app, 'PUT /api/recordings/:hash/poster', { params: byHash }, async ({ params: { hash }, body }) => {
    const picture = await bytesOf(body, 'PUT /api/recordings/:hash/poster');
    const type = typeOfPicture(picture);
    if (type === null)
      throw new ApiError('not-a-picture', 'This is no picture in JPEG or WebP. Nothing was kept of it.');
    await change(async (tx, say) => {
      await recordingOf(tx, hash);
      const row: PosterRow = { hash, type, picture };
      await tx('posters').insert(row).onConflict('hash').merge();
      const of = { kind: 'draw-poster', subject: hash } as const;
      await tx<WorkRow>('work').where(of).update({
        state: 'done',
        progress: 1,
        reason: null,
        next: null,
        holder: null,
        until: null,
        changed: Date.now(),
      });
      const drawn = await tx<WorkRow>('work').where(of).first();
      if (drawn) say({ what: 'work', row: drawn });
      say({ what: 'list' });
    });
    return null;
  });

  route(app, 'GET /api/recordings/:hash/poster', { params: byHash }, async ({ params: { hash } }, reply) => {
    const row = await db<PosterRow>('posters').where({ hash }).first();
    if (!row) throw missing('The picture of this recording');
    return reply.type(row.type).header('cache-control', 'private, no-store').send(row.picture);
  });
  done();
}
