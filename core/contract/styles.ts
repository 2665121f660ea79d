/** Routes of house styles. */
import type { StyleUse } from '../job/job.ts';
import type { HouseStyle } from '../style/style.ts';

export interface StyleLibrary {
  readonly styles: readonly HouseStyle[];
  /** Ids of those made here. */
  readonly own: readonly string[];
}

export interface StyleRoutes {
  'GET /api/styles': { answer: StyleLibrary };
  /** Its id and its version are given here, and its name where that is taken. */
  'POST /api/styles': { body: HouseStyle; answer: HouseStyle };
  'PUT /api/styles/:id': { body: HouseStyle; answer: HouseStyle };
  /** @param instead what jobs should use that use it */
  'DELETE /api/styles/:id': { query: { readonly instead?: string }; answer: null };
  /** Which jobs use which style. */
  'GET /api/style-uses': { answer: readonly StyleUse[] };
}
