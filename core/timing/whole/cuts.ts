/** Cuts of a recording as somebody has them on a list: what was taken out of it, or put into it. */
import type { Stretch } from '../../audio/regions.ts';
import type { FrameRate } from '../clock/frames.ts';
import { readTime } from '../clock/read-time.ts';
import type { Segment } from './segment.ts';

/** Longer than any recording, in ms: what goes on to the end. */
const toTheEnd = 1e9;

/** Stretches in order, those that touch as one. */
function inOrder(stretches: readonly Stretch[]): readonly Stretch[] {
  const joined: Stretch[] = [];
  for (const { start, end } of [...stretches].sort((a, b) => a.start - b.start)) {
    const last = joined.at(-1);
    if (last && start <= last.end) joined[joined.length - 1] = { start: last.start, end: Math.max(last.end, end) };
    else joined.push({ start, end });
  }
  return joined;
}

/** Stretches of the recording were taken out. @param cuts in ms of the recording as it was */
export function segmentsWithout(cuts: readonly Stretch[]): readonly Segment[] {
  const segments: Segment[] = [];
  let [was, now] = [0, 0];
  for (const { start, end } of inOrder(cuts)) {
    if (start > was) segments.push({ now, was, length: start - was });
    now += Math.max(0, start - was);
    was = end;
  }
  return [...segments, { now, was, length: toTheEnd }];
}

/** Stretches were put into the recording: taken out again, they leave it as it was. @param added in ms of the recording as it is */
export const segmentsWith = (added: readonly Stretch[]): readonly Segment[] =>
  segmentsWithout(added).map(({ now, was, length }) => ({ now: was, was: now, length }));

/**
 * A list of in and out times as it is pasted: two times a line, or several pairs with commas, semicolons or tabs between
 * them. @returns the stretches in order, or what cannot be read
 */
export function readStretches(
  text: string,
  rate: FrameRate,
): { readonly stretches: readonly Stretch[] } | { readonly fault: string } {
  const times = text
    .split(/[^\d:.,]+/u)
    .map((time) => time.replace(/[.,]$/u, ''))
    .filter((time) => /\d/u.test(time));
  if (times.length % 2 === 1) return { fault: 'Each cut has two times: where it begins and where it ends.' };
  const stretches: Stretch[] = [];
  for (let i = 0; i < times.length; i += 2) {
    const [from, to] = [readTime(times[i] ?? '', 0, rate), readTime(times[i + 1] ?? '', 0, rate)];
    if ('fault' in from) return { fault: `“${times[i] ?? ''}”: ${from.fault}` };
    if ('fault' in to) return { fault: `“${times[i + 1] ?? ''}”: ${to.fault}` };
    if (to.ms <= from.ms) return { fault: `${times[i] ?? ''} to ${times[i + 1] ?? ''} ends before it begins.` };
    stretches.push({ start: from.ms, end: to.ms });
  }
  return { stretches: inOrder(stretches) };
}
