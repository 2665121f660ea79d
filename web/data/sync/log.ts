/** The server's log of a track, as pages ask it. */
import { ApiError, hasCode } from '../../../core/contract/api-error.ts';
import type { Ask } from '../../../core/contract/contract.ts';
import type { Batch, LoggedTrack, Since } from '../../../core/model/logged.ts';

/** Everything throws {@link ApiError}; one with the code `other-history` where an edit is not in this log. */
export interface Log {
  readonly load: (track: string, at?: number) => Promise<LoggedTrack>;
  readonly since: (track: string, after: number, batch: string | null) => Promise<Since>;
  /** @returns the number of the batch's last edit, or what others did since its base */
  readonly append: (track: string, batch: Batch) => Promise<number | Since>;
}

export const isOtherHistory = (error: unknown): error is ApiError => hasCode(error, 'other-history');

/** Whether the track is not there any more. */
export const isMissing = (error: unknown): boolean => hasCode(error, 'missing');

/** Whether asking again for the same would be answered the same. */
export const isFinal = (error: unknown): boolean =>
  error instanceof ApiError &&
  error.status >= 400 &&
  error.status < 500 &&
  error.status !== 429 &&
  error.status !== 408;

/** The log behind whatever carries questions to the server. */
export const logBehind = (ask: Ask): Log => ({
  load: (id, at) => ask('GET /api/tracks/:id', { params: { id }, query: at === undefined ? {} : { at } }),
  since: (id, after, batch) =>
    ask('GET /api/tracks/:id/edits', { params: { id }, query: { after, ...(batch === null ? {} : { batch }) } }),
  async append(id, batch) {
    try {
      return (await ask('POST /api/tracks/:id/edits', { params: { id }, body: batch })).edit;
    } catch (error) {
      if (hasCode(error, 'behind') && error.details) return error.details;
      throw error;
    }
  },
});
