/** A route of the contract, with the schemas of what comes in and a handler whose answer is typed. */
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import type { AnySchema } from 'joi';
import { bodyLimits } from '../../core/contract/limits.ts';
import type { AnswerOf, BodyOf, Method, ParamsOf, QueryOf, RouteName } from '../../core/contract/contract.ts';

/** What a schema makes of a part of a request: the same fields; what is left out filled in, what the decoder in core reads left as it came. */
type Received<T> = { readonly [K in keyof T]?: unknown };

interface RouteOptions<R extends RouteName, Query, Body> {
  readonly params?: AnySchema<ParamsOf<R>>;
  readonly query?: AnySchema<Query>;
  readonly body?: AnySchema<Body>;
  /** Most bytes of a body, where the contract leaves that to whoever runs the server. */
  readonly bodyLimit?: number;
}

interface RouteRequest<R extends RouteName, Query, Body> {
  readonly params: ParamsOf<R>;
  readonly query: Query;
  readonly body: Body;
  readonly raw: FastifyRequest['raw'];
}

type RouteHandler<R extends RouteName, Query, Body> = (
  request: RouteRequest<R, Query, Body>,
  reply: FastifyReply,
) => AnswerOf<R> | FastifyReply | Promise<AnswerOf<R> | FastifyReply>;

/** Adds a route. A handler that answers null answers 204. */
export function route<R extends RouteName, Query extends Received<QueryOf<R>>, Body extends Received<BodyOf<R>>>(
  app: FastifyInstance,
  name: R,
  {
    params,
    query,
    body,
    bodyLimit = (bodyLimits as Partial<Record<RouteName, number>>)[name],
  }: RouteOptions<R, Query, Body>,
  handler: RouteHandler<R, Query, Body>,
): void {
  const [method, url] = name.split(' ') as [Method, string];
  app.route({
    method,
    url,
    schema: {
      ...(params ? { params } : {}),
      ...(query ? { querystring: query } : {}),
      ...(body ? { body } : {}),
    },
    ...(bodyLimit === undefined ? {} : { bodyLimit }),
    async handler(request, reply) {
      const answer = (await handler(request as unknown as RouteRequest<R, Query, Body>, reply)) as
        AnswerOf<R> | FastifyReply | undefined;
      // A stream is given to the reply itself, which stands for its own end: by then all has been said, or nobody listens.
      if (answer === undefined && (reply.raw.headersSent || reply.raw.destroyed)) return reply;
      return answer ?? reply.status(204).send();
    },
  });
}
