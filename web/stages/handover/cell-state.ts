/** What a destination holds of a track, as a sign and words. */
import type { Receipt } from '../../../core/job/job.ts';
import { isOver, type Work } from '../../../core/job/work.ts';

export interface CellState {
  readonly tone: 'soft' | 'going' | 'warn' | 'good' | 'bad';
  readonly sign: string;
  readonly word: string;
  readonly more: string;
  /** What can be done about the work. */
  readonly can: 'stop' | 'again' | null;
}

const percent = (share: number): string => `${String(Math.floor(share * 100))} %`;

/** How the sending fares. */
function sending(work: Work): CellState {
  const { kind, state, progress, reason } = work;
  if (state === 'stopped') return { tone: 'warn', sign: '◐', word: 'Stopped', more: '', can: 'again' };
  if (state === 'failed') return { tone: 'bad', sign: '▲', word: 'Not sent', more: reason ?? '', can: 'again' };
  if (reason !== null) return { tone: 'warn', sign: '◌', word: 'Not sent yet', more: reason, can: 'stop' };
  const word = kind === 'bring-recording' ? 'The recording is on its way' : 'Being sent';
  const more = kind === 'bring-recording' && progress > 0 ? percent(progress) : '';
  return { tone: 'going', sign: '◌', word, more, can: 'stop' };
}

/** @param edit the track’s edit now */
export function cellState(receipt: Receipt | null, work: Work | null, edit: number): CellState {
  if (!receipt) return { tone: 'soft', sign: '○', word: 'Nothing sent', more: '', can: null };
  const at = `edit ${String(receipt.edit)}`;
  switch (receipt.state) {
    case 'sending':
      return work && (!isOver(work) || work.state !== 'done')
        ? sending(work)
        : { tone: 'going', sign: '◌', word: 'Being sent', more: at, can: null };
    case 'processing':
      return { tone: 'going', sign: '◌', word: 'Being processed', more: work?.reason ?? at, can: null };
    case 'refused':
      return { tone: 'bad', sign: '▲', word: 'Refused', more: receipt.reason ?? '', can: null };
    case 'live':
      return receipt.edit < edit
        ? { tone: 'warn', sign: '◐', word: 'Behind', more: `holds ${at}`, can: null }
        : { tone: 'good', sign: '●', word: 'Live', more: `holds ${at}`, can: null };
  }
}
