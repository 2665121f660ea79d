/** House styles made here: added, changed, deleted. Those that ship stay as they are. */
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Knex } from 'knex';
import { decodeStyle, keptStyle } from '../../core/style/decode-style.ts';
import { freeName, idFor, styleStanding } from '../../core/style/style-names.ts';
import { shippedStyle, shippedStyles } from '../../core/style/shipped.ts';
import type { HouseStyle } from '../../core/style/style.ts';
import { ApiError } from '../../core/contract/api-error.ts';
import type { Changes } from '../changes.ts';
import { route } from '../http/route.ts';
import { byId, id as styleId, objectOf } from '../http/validation.ts';
import { allStyles, ownStyles, styleOf } from './store.ts';

const instead = objectOf<{ readonly instead?: string }>({ instead: styleId });
/** A style is read by the decoder in core, which names every fault. */
const whole = Joi.object<HouseStyle>();

/** @throws {ApiError} naming every fault */
export function styleFrom(value: unknown): HouseStyle {
  const { style, faults } = decodeStyle(value);
  if (style) return style;
  throw new ApiError('style-faults', `This is not a house style, and nothing was changed: ${faults.join(' ')}`, faults);
}

function notShipped(id: string): void {
  if (shippedStyle(id))
    throw new ApiError('shipped', 'This house style came with Fenwix and stays as it is. Copy it and change the copy.');
}

/** Routes of house styles, as a plugin. */
export function styles(
  app: FastifyInstance,
  { db, change }: { db: Knex } & Pick<Changes, 'change'>,
  done: () => void,
): void {
  route(app, 'GET /api/styles', {}, async () => {
    const own = await ownStyles(db);
    return { styles: [...shippedStyles, ...own], own: own.map((s) => s.id) };
  });

  route(app, 'POST /api/styles', { body: whole }, async ({ body }, reply) => {
    const given = styleFrom(body);
    const known = await allStyles(db);
    const name = freeName(given.name, known);
    const style: HouseStyle = { ...given, id: idFor(name, known), name, version: 1 };
    await change((tx) => tx('styles').insert({ id: style.id, style: JSON.stringify(style), made: Date.now() }));
    void reply.status(201);
    return style;
  });

  route(app, 'PUT /api/styles/:id', { params: byId, body: whole }, async ({ params: { id }, body }) => {
    notShipped(id);
    const before = await styleOf(db, id);
    const given = styleFrom(body);
    const others = (await allStyles(db)).filter((s) => s.id !== id);
    if (others.some((s) => s.name === given.name))
      throw new ApiError('name-taken', `There is a house style “${given.name}” already. Give this one another name.`);
    const style: HouseStyle = { ...given, id, version: before.version + 1 };
    await change((tx) =>
      tx('styles')
        .where({ id })
        .update({ style: JSON.stringify(style) }),
    );
    return style;
  });

  route(app, 'DELETE /api/styles/:id', { params: byId, query: instead }, async ({ params: { id }, query }) => {
    const { instead: other } = query;
    notShipped(id);
    await styleOf(db, id);
    const rows = await db<{ id: string; style: string }>('jobs').select('id', 'style');
    const using = rows.filter((row) => (JSON.parse(row.style) as HouseStyle).id === id);
    if (using.length > 0 && (other === undefined || other === id))
      throw new ApiError('in-use', `${String(using.length)} jobs use this house style. Say which one they should use.`);
    const next = other === undefined ? null : await styleOf(db, other);
    await change(async (tx, say) => {
      for (const { id: job } of next ? using : []) {
        await tx('jobs')
          .where({ id: job })
          .update({ style: JSON.stringify(next) });
        say({ what: 'job', job });
      }
      await tx('styles').where({ id }).delete();
      say({ what: 'list' });
    });
    return null;
  });

  route(app, 'GET /api/style-uses', {}, async () => {
    const known = await allStyles(db);
    const rows = await db<{ readonly id: string; readonly title: string; readonly style: string }>('jobs')
      .orderBy('made', 'desc')
      .select('id', 'title', 'style');
    return rows.map(({ id, title, style: kept }) => {
      const style = keptStyle(JSON.parse(kept));
      return {
        job: { id, title },
        style: { id: style.id, name: style.name, version: style.version },
        standing: styleStanding(style, known),
      };
    });
  });
  done();
}
