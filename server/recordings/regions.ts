/** Where speech and other sound is in recordings: heard by a page, kept by the hash of the recording, so that it is done once. */
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Knex } from 'knex';
import { most } from '../../core/contract/limits.ts';
import { ApiError } from '../../core/contract/api-error.ts';
import { staysInside } from '../../core/audio/covers.ts';
import { decodeRegions, regionsMethod } from '../../core/audio/regions.ts';
import type { Changes } from '../changes.ts';
import { missing } from '../http/errors.ts';
import { route } from '../http/route.ts';
import { byHash, ofSound, objectOf } from '../http/validation.ts';
import { keptRegions, type RegionsRow } from '../counts/kept-regions.ts';
import { recordingOf } from './store.ts';

// What stands in them is read by the decoder in core.
const body = objectOf<{ readonly speech: readonly unknown[]; readonly sound: readonly unknown[] }>({
  speech: Joi.array().max(most.stretches).required(),
  sound: Joi.array().max(most.stretches).required(),
});

/** Routes of where speech and other sound are in a recording, as a plugin. */
export function regions(
  app: FastifyInstance,
  { db, change }: { db: Knex } & Pick<Changes, 'change'>,
  done: () => void,
): void {
  route(
    app,
    'PUT /api/recordings/:hash/regions',
    { params: byHash, query: ofSound, body },
    async ({ params: { hash }, query: { track = 0 }, body }) => {
      const heard = decodeRegions(body);
      const last = Math.max(heard.speech.at(-1)?.end ?? 0, heard.sound.at(-1)?.end ?? 0);
      const row: RegionsRow = { hash, track, method: regionsMethod, regions: JSON.stringify(heard) };
      await change(async (tx, say) => {
        const { length } = await recordingOf(tx, hash);
        if (!staysInside(last, length))
          throw new ApiError(
            'not-understood',
            'This was heard after the end of the recording. What was kept before is as it was.',
          );
        await tx('regions').insert(row).onConflict(['hash', 'track']).merge();
        say({ what: 'recording', hash });
      });
      return null;
    },
  );

  route(
    app,
    'GET /api/recordings/:hash/regions',
    { params: byHash, query: ofSound },
    async ({ params: { hash }, query: { track = 0 } }) => {
      const kept = await keptRegions(db, hash, track);
      if (!kept) throw missing('Where speech is in this recording');
      return kept;
    },
  );
  done();
}
