/** Routes of long work, and the events that tell of it. */
import type { Work } from '../job/work.ts';
import type { Bytes } from './bytes.ts';

/** What a page is told as it happens. */
export type ServerEvent =
  | { readonly type: 'work'; readonly work: Work }
  /** A track has come to another edit. */
  | { readonly type: 'track'; readonly track: string; readonly edit: number }
  /** What stands in the list of jobs has changed: of this job, or of many. */
  | { readonly type: 'jobs'; readonly job: string | null };

/** Work a page has taken, with the parts of it that are done. */
export interface Leased {
  readonly work: Work;
  readonly parts: readonly { readonly number: number; readonly part: unknown }[];
}

/** Which page speaks. */
export interface Holder {
  readonly page: string;
}

export interface WorkRoutes {
  /** @param job only what belongs to this job */
  'GET /api/work': { query: { readonly job?: string }; answer: readonly Work[] };
  'POST /api/work/:id/stop': { answer: Work };
  'POST /api/work/:id/again': { answer: Work };
  /** Takes work that pages run, or renews what this page has; refused as `leased` where another is on it. */
  'POST /api/work/:id/lease': { body: Holder & { readonly progress?: number }; answer: Leased };
  /** Puts up a part that is done. */
  'PUT /api/work/:id/parts/:number': {
    body: Holder & { readonly progress: number; readonly part: unknown };
    answer: Work;
  };
  /** It is done, or cannot be, with the reason. */
  'POST /api/work/:id/end': { body: Holder & { readonly reason: string | null }; answer: Work };
  /** Server-sent events, each a {@link ServerEvent} as JSON. */
  'GET /api/events': { answer: Bytes };
}
