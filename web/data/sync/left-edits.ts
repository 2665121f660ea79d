/** Edits that a page has left behind, some of which the log may have already. */
import { sentTogether } from './batches.ts';
import { isFinal, isOtherHistory, type Log } from './log.ts';
import type { Edit } from '../../../core/model/edits.ts';
import type { WaitingLine } from './outbox.ts';

/** Changes that are in this browser and on no screen of a track. */
export interface LeftChanges {
  readonly id: string;
  /** Why they are here, as a sentence. */
  readonly reason: string;
  /** When they were set aside, in ms since 1970; null where nobody wrote that down. */
  readonly at: number | null;
  readonly edits: readonly Edit[];
  /** Takes them out of this browser. */
  readonly drop: () => Promise<void>;
}

/**
 * Offers again, as it was, what such a page had sent, so that the log tells whether it has it.
 * @returns what the log does not have, and the edit it stands on; `elsewhere` where the log is another one, and says so
 * @throws {ApiError} when the log cannot be asked
 */
export async function withoutDelivered(
  log: Log,
  track: string,
  left: WaitingLine,
): Promise<Pick<WaitingLine, 'base' | 'after' | 'edits'> & { readonly elsewhere: Error | null }> {
  let { base, after, edits } = left;
  while (edits[0]?.batch) {
    const { batch } = edits[0];
    const sent = sentTogether(edits);
    let answer: Awaited<ReturnType<Log['append']>>;
    try {
      answer = await log.append(track, { id: batch, base, after, edits: sent.map((w) => w.edit) });
    } catch (error) {
      if (isOtherHistory(error)) return { base, after, edits, elsewhere: error };
      if (isFinal(error)) break;
      throw error;
    }
    if (typeof answer !== 'number') break;
    [base, after, edits] = [answer, batch, edits.slice(sent.length)];
  }
  return { base, after, edits, elsewhere: null };
}
