/** The server's log of a track, as pages ask it. */
import type { Batch, LoggedTrack, Since } from '../../core/track/logged.ts';
import { ask, Refusal } from '../api/client.ts';

/** Everything throws {@link Refusal}; one with the code `other-history` where an edit is not in this log. */
export interface Log {
  readonly load: (track: string, at?: number) => Promise<LoggedTrack>;
  readonly since: (track: string, after: number, batch: string | null) => Promise<Since>;
  /** @returns the number of the batch's last edit, or what others did since its base */
  readonly append: (track: string, batch: Batch) => Promise<number | Since>;
}

export const isOtherHistory = (error: unknown): boolean => error instanceof Refusal && error.code === 'other-history';

/** Whether the track is not there any more. */
export const isMissing = (error: unknown): boolean => error instanceof Refusal && error.status === 404;

/** Whether asking again for the same would be answered the same. */
export const isFinal = (error: unknown): boolean =>
  error instanceof Refusal && error.status >= 400 && error.status < 500 && error.status !== 429 && error.status !== 408;

export const serverLog: Log = {
  load: (track, at) => ask<LoggedTrack>('GET', `/tracks/${track}${at === undefined ? '' : `?at=${String(at)}`}`),
  since: (track, after, batch) =>
    ask<Since>(
      'GET',
      `/tracks/${track}/edits?after=${String(after)}${batch === null ? '' : `&batch=${encodeURIComponent(batch)}`}`,
    ),
  async append(track, batch) {
    try {
      return (await ask<{ edit: number }>('POST', `/tracks/${track}/edits`, batch)).edit;
    } catch (error) {
      if (error instanceof Refusal && error.code === 'behind') return error.details as Since;
      throw error;
    }
  },
};
