/** A recording as people say it. */
import type { Recording } from '../../../core/job/job.ts';
import { lengthInWords } from '../../../core/timing/clock/clock.ts';
import { rateText, type FrameRate } from '../../../core/timing/clock/frames.ts';
import { bytesInWords } from './jobs.ts';

/** How long and large it is: `30 seconds, 540 × 960, 25 fps, 1.2 MB`. @param rate of its pictures; null where it is not known */
export function recordingInWords({ length, width, height, bytes }: Recording, rate: FrameRate | null): string {
  const size = width && height ? `${String(width)} × ${String(height)}` : 'sound only';
  const told = [length ? lengthInWords(length) : null, size, width && rate ? `${rateText(rate)} fps` : null];
  return [...told, bytesInWords(bytes)].filter((each) => each !== null).join(', ');
}
