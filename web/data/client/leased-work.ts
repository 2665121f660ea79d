/** Work that a page does for the server: taken under a lease that is renewed, so that no other page does it too. */
import { hasCode, sentence } from '../../../core/contract/api-error.ts';
import type { Ask } from '../../../core/contract/contract.ts';
import { leaseMs, mostCharacters } from '../../../core/contract/limits.ts';
import type { Leased } from '../../../core/contract/work.ts';
import type { Work } from '../../../core/job/work.ts';

/** What work in progress can do. */
export interface Report {
  /** What pages before this one have put up. */
  readonly parts: Leased['parts'];
  /** Aborted where the work is somebody else’s now, or was stopped. */
  readonly signal: AbortSignal;
  /** Puts up a part that is done. @throws {ApiError} `leased` where it is somebody else’s now */
  readonly part: (number: number, part: unknown, progress: number) => Promise<void>;
}

/** Whether a page may take work now: nobody has it, and its time has come. */
export const isForPages = (work: Work, now: number): boolean =>
  work.by === 'page' && (work.state === 'running' || (work.state === 'waiting' && (work.next ?? 0) <= now));

/**
 * Takes work and does it.
 * @param page this page
 * @returns whether it was done here
 * @throws whatever keeps the server from hearing of it
 */
export async function doLeased(
  ask: Ask,
  work: Work,
  page: string,
  act: (report: Report) => Promise<void>,
): Promise<boolean> {
  const params = { id: work.id };
  let leased: Leased;
  try {
    leased = await ask('POST /api/work/:id/lease', { params, body: { page } });
  } catch (error) {
    if (hasCode(error, 'leased') || hasCode(error, 'missing')) return false;
    throw error;
  }
  const lost = new AbortController();
  const renewing = setInterval(() => {
    ask('POST /api/work/:id/lease', { params, body: { page } }).catch((error: unknown) => {
      if (hasCode(error, 'leased') || hasCode(error, 'missing')) lost.abort(error);
    });
  }, leaseMs / 3);
  let reason: string | null = null;
  try {
    await act({
      parts: leased.parts,
      signal: lost.signal,
      async part(number, part, progress) {
        const put = { page, part, progress };
        await ask('PUT /api/work/:id/parts/:number', { params: { ...params, number: String(number) }, body: put });
      },
    });
  } catch (error) {
    if (lost.signal.aborted || hasCode(error, 'leased')) return false;
    // What the server’s absence has kept from being done is taken up by whoever comes next.
    if (hasCode(error, 'away')) throw error;
    reason = sentence(error).slice(0, mostCharacters.reason);
  } finally {
    clearInterval(renewing);
  }
  try {
    await ask('POST /api/work/:id/end', { params, body: { page, reason } });
  } catch (error) {
    // It is over already: the picture itself ended it, or somebody stopped it.
    if (!hasCode(error, 'leased')) throw error;
  }
  return reason === null;
}
