/** What became of a recording that was cut again, in words. */
import { exactClock, seconds } from '../time/clock.ts';
import type { CutChange } from './follow.ts';

/** As `12.35 s cut, 00:00:20.000 to 00:00:32.350`. */
export function cutSaid(change: CutChange): string {
  const long = seconds(change.to - change.from);
  if (change.what === 'put in') return `${long} put in at ${exactClock(change.from)}`;
  const stretch = `${exactClock(change.from)} to ${exactClock(change.to)}`;
  return change.what === 'cut' ? `${long} cut, ${stretch}` : `${long} moved, ${stretch}, to ${exactClock(change.at)}`;
}
