/**
 * The contract between the server and whoever asks it: every route by its name, which is its method and
 * its path, with the types of what travels. The server’s schemas and answers are typed against it, and
 * the page calls by it, so that a path misspelt or an answer changed is a type error on both sides.
 */
import type { Bytes } from './bytes.ts';
import type { DestinationRoutes } from './destinations.ts';
import type { JobRoutes } from './jobs.ts';
import type { RecordingRoutes } from './recordings.ts';
import type { StyleRoutes } from './styles.ts';
import type { TrackRoutes } from './tracks.ts';
import type { WorkRoutes } from './work.ts';

export interface Routes extends JobRoutes, TrackRoutes, RecordingRoutes, StyleRoutes, DestinationRoutes, WorkRoutes {
  'GET /api/health': { answer: { readonly fenwix: true } };
}

/** As `GET /api/jobs/:id`. */
export type RouteName = keyof Routes;

/** Nothing has to be there. */
type Empty = Record<never, never>;

type ParamNames<Path extends string> = Path extends `${string}/:${infer Name}/${infer Rest}`
  ? Name | ParamNames<`/${Rest}`>
  : Path extends `${string}/:${infer Name}`
    ? Name
    : never;

/** What stands in a route’s path, by name. */
export type ParamsOf<R extends RouteName> = Readonly<Record<ParamNames<R>, string>>;
export type QueryOf<R extends RouteName> = Routes[R] extends { query: infer Query } ? Query : unknown;
export type BodyOf<R extends RouteName> = Routes[R] extends { body: infer Body } ? Body : unknown;
export type AnswerOf<R extends RouteName> = Routes[R]['answer'];

/** Routes whose bodies and answers are JSON. */
export type JsonRoute = {
  [R in RouteName]: Bytes extends AnswerOf<R> ? never : Routes[R] extends { body: Bytes } ? never : R;
}[RouteName];

type Part<Name extends string, T> = unknown extends T
  ? unknown
  : // A part of which everything can be left out can be left out itself.
    Empty extends T
    ? Partial<Readonly<Record<Name, T>>>
    : Readonly<Record<Name, T>>;

/** What is sent to a route. */
export type RequestOf<R extends RouteName> = Part<'params', [ParamNames<R>] extends [never] ? unknown : ParamsOf<R>> &
  Part<'query', QueryOf<R>> &
  Part<'body', Routes[R] extends { body: Bytes } ? unknown : BodyOf<R>>;

/** The arguments that go with a route’s name: none where nothing has to be sent. */
export type Arguments<R extends RouteName> =
  Empty extends RequestOf<R> ? [request?: RequestOf<R>] : [request: RequestOf<R>];

/** Asks a server by the contract. Everything throws {@link ApiError}. */
export type Ask = <R extends JsonRoute>(route: R, ...args: Arguments<R>) => Promise<AnswerOf<R>>;

export type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';

/** A request as it goes over the wire. */
export interface WireRequest {
  readonly method: Method;
  readonly url: string;
  readonly body: unknown;
}

interface Loose {
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, unknown>>;
  readonly body?: unknown;
}

/** The method, the address and the body of a request; what the query leaves undefined is left out. */
export function wireRequest<R extends RouteName>(route: R, ...[request]: Arguments<R>): WireRequest {
  const { params = {}, query = {}, body } = (request ?? {}) as Loose;
  const [method, path] = route.split(' ') as [Method, string];
  const filled = path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name] ?? ''));
  const search = Object.entries(query)
    .filter(([, value]) => value !== undefined)
    .map(([name, value]) => `${name}=${encodeURIComponent(String(value))}`)
    .join('&');
  return { method, url: search === '' ? filled : `${filled}?${search}`, body };
}

/** The address of a route with its parameters and query, for links and media. */
// eslint-disable-next-line no-restricted-syntax -- one argument or none
export const urlOf = <R extends RouteName>(route: R, ...args: Arguments<R>): string => wireRequest(route, ...args).url;
