/** How loud recordings are along their length: read by a page, kept by the hash of the recording, so that it is done once. */
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { ApiError } from '../../core/contract/api-error.ts';
import { coversRecording } from '../../core/audio/covers.ts';
import { peaksMethod, peaksPerSecond } from '../../core/audio/peaks.ts';
import type { Changes } from '../changes.ts';
import { missing } from '../http/errors.ts';
import { route } from '../http/route.ts';
import { byHash, ofSound } from '../http/validation.ts';
import { bytesOf } from './bytes-of.ts';
import { recordingOf } from './store.ts';

interface PeaksRow {
  readonly hash: string;
  readonly track: number;
  /** By which version of the method they were read; those of another are read again. */
  readonly method: number;
  readonly cells: Buffer;
}

/** Routes of the peaks that a waveform is drawn from, as a plugin. */
export function peaks(
  app: FastifyInstance,
  { db, change }: { db: Knex } & Pick<Changes, 'change'>,
  done: () => void,
): void {
  route(
    app,
    'PUT /api/recordings/:hash/peaks',
    { params: byHash, query: ofSound },
    async ({ params: { hash }, query: { track = 0 }, body }) => {
      const cells = await bytesOf(body, 'PUT /api/recordings/:hash/peaks');
      if (cells.length === 0)
        throw new ApiError('not-understood', 'No bytes came with this. What was kept before is as it was.');
      await change(async (tx) => {
        const { length } = await recordingOf(tx, hash);
        if (!coversRecording((cells.length * 1000) / peaksPerSecond, length))
          throw new ApiError(
            'not-understood',
            'This is not how loud the whole recording is: it is of another length. What was kept before is as it was.',
          );
        const row: PeaksRow = { hash, track, method: peaksMethod, cells };
        await tx('peaks').insert(row).onConflict(['hash', 'track']).merge();
      });
      return null;
    },
  );

  route(
    app,
    'GET /api/recordings/:hash/peaks',
    { params: byHash, query: ofSound },
    async ({ params: { hash }, query: { track = 0 } }, reply) => {
      const row = await db<PeaksRow>('peaks').where({ hash, track, method: peaksMethod }).first();
      if (!row) throw missing('How loud this recording is');
      return reply.type('application/octet-stream').header('cache-control', 'private, no-store').send(row.cells);
    },
  );
  done();
}
