/** The shape of the sound that is in sight, decoded again where the tape is so close that hundredths of a second are steps. */
import { onBeforeUnmount, shallowRef, watch } from 'vue';
import { peakReader } from '../../../core/audio/peaks.ts';
import { pieceClient } from '../../recording/sound/sound-client.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useTapeView } from './tape-view.ts';

/** Less on the page than this, in ms, and the sound is decoded again. */
const closerThan = 2000;
/** So much on either side is decoded as well, so that it is there while one scrolls, in ms. */
const beyond = 2000;
/** Windows in a second. */
const finePerSecond = 4000;

/** Peaks of a part of the recording. */
export interface FineSound {
  /** Where its first window stands, and where it ends, in ms. */
  readonly from: number;
  readonly until: number;
  readonly cells: Uint8Array;
  readonly perSecond: number;
}

/** Null while what is in sight is not decoded, or need not be. */
export function useFineSound() {
  const view = useTapeView();
  const job = useJob();
  const client = pieceClient();
  const fine = shallowRef<FineSound | null>(null);
  let turn = 0;

  async function decode(): Promise<void> {
    const [from, until] = [Math.max(0, view.from - beyond), view.until + beyond];
    const { recordingUrl: url } = job;
    const mine = ++turn;
    if (!url) return;
    const request = { url, track: job.job?.soundTrack ?? 0, from: from / 1000, until: until / 1000 };
    const piece = await client.ask(request).catch(() => null);
    if (!piece || mine !== turn) return;
    const reader = peakReader(until - from, undefined, finePerSecond);
    for (const channel of piece.channels) reader.push(channel, 0, piece.rate);
    fine.value = { from, until, cells: reader.peaks(), perSecond: finePerSecond };
  }
  watch(
    [() => view.from, () => view.span, () => job.recordingUrl, () => job.job?.soundTrack],
    ([, span, url, track], [, , urlBefore, trackBefore]) => {
      if (url !== urlBefore || track !== trackBefore) fine.value = null;
      if (span >= closerThan) return;
      const has = fine.value && fine.value.from <= Math.max(0, view.from) && fine.value.until >= view.until;
      if (!has) void decode();
    },
  );
  onBeforeUnmount(() => client.end());
  return fine;
}
