/** House styles made here: added, changed, deleted. Those that ship stay as they are. */
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Knex } from 'knex';
import { decodeStyle } from '../../core/rules/decode-style.ts';
import { freeName, idFor } from '../../core/rules/style-names.ts';
import { shippedStyle, shippedStyles } from '../../core/rules/shipped.ts';
import type { HouseStyle } from '../../core/rules/style.ts';
import { checked } from '../checked.ts';
import { Problem } from '../problem.ts';
import { allStyles, ownStyles, styleOf } from './store.ts';

const key = Joi.object<{ id: string }>({ id: Joi.string().max(64).required() });
const instead = Joi.object<{ instead?: string }>({ instead: Joi.string().max(64) });

/** @throws {Problem} naming every fault */
export function styleFrom(value: unknown): HouseStyle {
  const { style, faults } = decodeStyle(value);
  if (style) return style;
  throw new Problem(
    400,
    'style-faults',
    `This is not a house style, and nothing was changed: ${faults.join(' ')}`,
    faults,
  );
}

function notShipped(id: string): void {
  if (shippedStyle(id))
    throw new Problem(
      409,
      'shipped',
      'This house style came with Fenwix and stays as it is. Copy it and change the copy.',
    );
}

export function styles(app: FastifyInstance, { db }: { db: Knex }, done: () => void): void {
  app.get('/api/styles', async () => {
    const own = await ownStyles(db);
    return { styles: [...shippedStyles, ...own], own: own.map((s) => s.id) };
  });

  app.post('/api/styles', async (request, reply) => {
    const given = styleFrom(request.body);
    const known = await allStyles(db);
    const name = freeName(given.name, known);
    const style: HouseStyle = { ...given, id: idFor(name, known), name, version: 1 };
    await db('styles').insert({ id: style.id, style: JSON.stringify(style), made: Date.now() });
    return reply.status(201).send(style);
  });

  app.put('/api/styles/:id', async (request) => {
    const { id } = checked(key, request.params);
    notShipped(id);
    const before = await styleOf(db, id);
    const given = styleFrom(request.body);
    const others = (await allStyles(db)).filter((s) => s.id !== id);
    if (others.some((s) => s.name === given.name))
      throw new Problem(
        409,
        'name-taken',
        `There is a house style “${given.name}” already. Give this one another name.`,
      );
    const style: HouseStyle = { ...given, id, version: before.version + 1 };
    await db('styles')
      .where({ id })
      .update({ style: JSON.stringify(style) });
    return style;
  });

  app.delete('/api/styles/:id', async (request, reply) => {
    const { id } = checked(key, request.params);
    const { instead: other } = checked(instead, request.query);
    notShipped(id);
    await styleOf(db, id);
    const rows = await db<{ id: string; style: string }>('jobs').select('id', 'style');
    const using = rows.filter((row) => (JSON.parse(row.style) as HouseStyle).id === id);
    if (using.length > 0 && (other === undefined || other === id))
      throw new Problem(
        409,
        'in-use',
        `${String(using.length)} jobs use this house style. Say which one they should use.`,
      );
    const next = other === undefined ? null : await styleOf(db, other);
    await db.transaction(async (at) => {
      if (next)
        await at('jobs')
          .whereIn(
            'id',
            using.map((row) => row.id),
          )
          .update({ style: JSON.stringify(next) });
      await at('styles').where({ id }).delete();
    });
    return reply.status(204).send();
  });
  done();
}
