/**
 * The same move for several tracks of a job, as work: asked for in one request, done to one track after another, gone on
 * with after a restart, and each done once. Which tracks are left, and why, is its reason.
 */
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { ApiError, hasCode, sentence } from '../../core/contract/api-error.ts';
import { most } from '../../core/contract/limits.ts';
import type { NewMove } from '../../core/contract/tracks.ts';
import { sameMove, type SameMove } from '../../core/timing/whole/same-move.ts';
import type { Changes } from '../changes.ts';
import { idTaken, missing } from '../http/errors.ts';
import { route } from '../http/route.ts';
import { byId, id, objectOf } from '../http/validation.ts';
import { hashOf } from '../requested.ts';
import type { Outcome, WorkQueue, WorkRun } from '../work/queue.ts';
import { addWork, openWork, type WorkRow } from '../work/store.ts';
import type { EditLog } from './log.ts';
import { jobTitle, trackRow } from './store.ts';

interface MoveRow {
  readonly id: string;
  readonly job: string;
  /** A {@link SameMove} as JSON. */
  readonly move: string;
  /** The tracks it is done to, as JSON. */
  readonly tracks: string;
}

const ms = Joi.number().integer().min(0).required();
const pieces = Joi.array().items(Joi.array().items(ms, ms).length(2)).min(1).max(most.captions);
const fractionOfMs = Joi.number().min(0).required();
const segment = Joi.object({ now: fractionOfMs, was: fractionOfMs, length: fractionOfMs });
const newMove = objectOf<NewMove>({
  id: id.required(),
  tracks: Joi.array().items(id).min(1).max(most.tracks).required(),
  move: Joi.alternatives(
    Joi.object({ pieces: pieces.required() }),
    Joi.object({ segments: Joi.array().items(segment).min(1).max(most.captions).required() }),
  ).required(),
});

/** Routes of one move of times made to several tracks, as a plugin; it goes through the queue. */
export function moves(
  app: FastifyInstance,
  { db, log, change: changing, queue }: { db: Knex; log: EditLog; queue: WorkQueue } & Pick<Changes, 'change'>,
  done: () => void,
): void {
  /** Moves one track, once however often it is asked for: its batch goes by the move and the track. */
  async function moveTrack(of: MoveRow, track: string): Promise<void> {
    const batch = hashOf([of.id, track]).slice(0, 40);
    for (;;) {
      const { edit, batch: after, captions } = await log.load(track);
      const change = sameMove(captions, JSON.parse(of.move) as SameMove, randomUUID);
      if (!change) return;
      try {
        await log.append(track, { id: batch, base: edit, after, edits: [change] });
        return;
      } catch (error) {
        // Somebody edited it in between.
        if (!hasCode(error, 'behind')) throw error;
      }
    }
  }

  async function moveAll({ work, progress, signal }: WorkRun): Promise<Outcome> {
    const of = await db<MoveRow>('moves').where({ id: work.subject }).first();
    if (!of) throw missing('This move');
    const tracks = JSON.parse(of.tracks) as readonly string[];
    const left: string[] = [];
    for (const [i, track] of tracks.entries()) {
      signal.throwIfAborted();
      try {
        await moveTrack(of, track);
      } catch (error) {
        // A full disk or a busy database passes, and all of it is tried again by itself.
        if (hasCode(error, 'disk-full') || hasCode(error, 'busy') || !(error instanceof ApiError)) throw error;
        const name = await trackRow(db, track).then(
          (row) => `“${row.name}”`,
          () => 'A track that is not here any more',
        );
        left.push(`${name} stays as it was: ${sentence(error)}`);
      }
      progress((i + 1) / tracks.length);
    }
    if (left.length > 0) throw new ApiError('tracks-left', left.join(' '));
    return { done: () => Promise.resolve() };
  }
  queue.handle('move-tracks', moveAll);

  route(app, 'POST /api/jobs/:id/moves', { params: byId, body: newMove }, async ({ params: { id: job }, body }) => {
    await jobTitle(db, job);
    const row: MoveRow = { id: body.id, job, move: JSON.stringify(body.move), tracks: JSON.stringify(body.tracks) };
    await changing(async (tx, say) => {
      for (const track of body.tracks)
        if ((await trackRow(tx, track)).job !== job) throw missing('This track of the job');
      const before = await tx<MoveRow>('moves').where({ id: body.id }).first();
      if (before && hashOf(before) !== hashOf({ ...before, ...row })) throw idTaken('move');
      if (!before) await tx('moves').insert(row);
      await addWork(tx, say, { kind: 'move-tracks', subject: body.id, job });
    });
    const work = await db<WorkRow>('work').where({ kind: 'move-tracks', subject: body.id }).first();
    if (!work) throw missing('This move');
    return openWork(work);
  });
  done();
}
