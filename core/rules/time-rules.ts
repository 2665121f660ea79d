/** Findings about reading speed, duration and the room between captions. */
import { countWords, measure, need, speedText } from '../text/measures.ts';
import { seconds } from '../time/clock.ts';
import type { Caption } from '../track/caption.ts';
import { found, type Rule } from './finding.ts';
import { smallestGap } from './style.ts';

/** A limit given in frames falls between milliseconds, so times on whole milliseconds get this much grace. */
const frameTolerance = 1;

export const timeRules: readonly Rule[] = [
  {
    id: 'too-fast',
    group: 'Reading',
    title: 'Too fast to read',
    short: 'too fast',
    look({ caption }, { style }) {
      const { limit, severity } = style.reading.speed;
      const { characters, duration, speed } = measure(caption, style.counting);
      if (speed <= limit) return [];
      const message = `${String(characters)} characters in ${seconds(duration)} = ${speedText(speed)} cps; limit ${String(limit)}. Needs ${seconds(need(characters, limit))}.`;
      return found('too-fast', severity, [caption.id], speed, limit, message);
    },
  },
  {
    id: 'too-many-wpm',
    group: 'Reading',
    title: 'Too many words a minute',
    short: 'too many words',
    look({ caption }, { style }) {
      const { limit, severity } = style.reading.words;
      if (severity === 'off') return [];
      const duration = caption.end - caption.start;
      const words = countWords(caption.text);
      const speed = duration > 0 ? (words * 60_000) / duration : words > 0 ? Infinity : 0;
      return speed <= limit
        ? []
        : found(
            'too-many-wpm',
            severity,
            [caption.id],
            speed,
            limit,
            `${String(words)} words in ${seconds(duration)} = ${String(Math.ceil(speed))} a minute; limit ${String(limit)}.`,
          );
    },
  },
  {
    id: 'brisk',
    group: 'Reading',
    title: 'Brisk to read',
    short: 'brisk',
    look({ caption }, { style }) {
      const { limit, target, severity } = style.reading.speed;
      const { speed } = measure(caption, style.counting);
      if (speed <= target || speed > limit || severity === 'off') return [];
      return found(
        'brisk',
        'should',
        [caption.id],
        speed,
        target,
        `${speedText(speed)} cps is above the target of ${String(target)}, within the limit of ${String(limit)}.`,
      );
    },
  },
  {
    id: 'too-short',
    lessIsWorse: true,
    group: 'Time',
    title: 'On screen too briefly',
    short: 'too brief',
    look({ caption }, { style }) {
      const { limit, severity } = style.time.shortest;
      const duration = caption.end - caption.start;
      return duration >= limit
        ? []
        : found(
            'too-short',
            severity,
            [caption.id],
            duration,
            limit,
            `On screen for ${seconds(duration)}; shortest ${seconds(limit)}.`,
          );
    },
  },
  {
    id: 'too-long',
    group: 'Time',
    title: 'On screen too long',
    short: 'too long',
    look({ caption }, { style }) {
      const { limit, severity } = style.time.longest;
      const duration = caption.end - caption.start;
      return duration <= limit
        ? []
        : found(
            'too-long',
            severity,
            [caption.id],
            duration,
            limit,
            `On screen for ${seconds(duration)}; longest ${seconds(limit)}.`,
          );
    },
  },
  {
    id: 'gap-too-small',
    lessIsWorse: true,
    group: 'Time',
    title: 'Gap too small',
    short: 'small gap',
    look({ caption, next }, { style, rate }) {
      const { limit, unit, severity } = style.time.gap;
      const gap = next ? next.start - caption.end : Infinity;
      const least = smallestGap(style, rate);
      const tolerance = unit === 'frames' ? frameTolerance : 0;
      if (!next || gap < 0 || gap >= least - tolerance) return [];
      const asked =
        unit === 'frames' ? `${String(limit)} frames (${String(Math.round(least))} ms)` : `${String(limit)} ms`;
      return found(
        'gap-too-small',
        severity,
        [caption.id, next.id],
        gap,
        least,
        `${String(gap)} ms before the next caption; smallest gap ${asked}.`,
      );
    },
  },
  {
    id: 'gap-to-close',
    group: 'Time',
    title: 'Gap to close',
    short: 'gap to close',
    look({ caption, next }, { style, rate }) {
      const { limit, severity } = style.time.closeBelow;
      if (!next || severity === 'off') return [];
      const gap = next.start - caption.end;
      const least = Math.ceil(smallestGap(style, rate));
      return gap <= least + frameTolerance || gap >= limit
        ? []
        : found(
            'gap-to-close',
            severity,
            [caption.id, next.id],
            gap,
            least,
            `${String(gap)} ms before the next caption; gaps below ${String(limit)} ms are closed to ${String(least)} ms.`,
          );
    },
  },
  {
    id: 'overlap',
    group: 'Time',
    title: 'Overlaps the next',
    short: 'overlap',
    look({ caption, next }, { style }) {
      const gap = next ? next.start - caption.end : 0;
      if (!next || gap >= 0) return [];
      return found(
        'overlap',
        style.time.overlap.severity,
        [caption.id, next.id],
        -gap,
        0,
        `Still on screen for ${seconds(-gap)} after the next caption has begun.`,
      );
    },
  },
  {
    id: 'provisional',
    group: 'Time',
    title: 'Times are provisional',
    short: 'provisional',
    look({ caption }, { style }) {
      return caption.timing === 'set'
        ? []
        : found(
            'provisional',
            style.time.provisional.severity,
            [caption.id],
            1,
            0,
            'This text has no place in the sound yet; its times are a guess.',
          );
    },
  },
  {
    id: 'early',
    group: 'Time',
    title: 'Early against speech',
    short: 'early',
    look({ caption }, { style }) {
      const { early, severity } = style.time.sync;
      const offset = syncOffset(caption);
      return offset === null || -offset <= early
        ? []
        : found(
            'early',
            severity,
            [caption.id],
            -offset,
            early,
            `Begins ${seconds(-offset)} before its first word; at most ${seconds(early)}.`,
          );
    },
  },
  {
    id: 'late',
    group: 'Time',
    title: 'Late against speech',
    short: 'late',
    look({ caption }, { style }) {
      const { late, severity } = style.time.sync;
      const offset = syncOffset(caption);
      return offset === null || offset <= late
        ? []
        : found(
            'late',
            severity,
            [caption.id],
            offset,
            late,
            `Begins ${seconds(offset)} after its first word; at most ${seconds(late)}.`,
          );
    },
  },
  {
    id: 'past-the-end',
    group: 'Time',
    title: 'Past the end of the recording',
    short: 'past the end',
    look({ caption }, { length }) {
      if (length === null || caption.end <= length) return [];
      return found(
        'past-the-end',
        'must',
        [caption.id],
        caption.end,
        length,
        `Ends ${seconds(caption.end - length)} after the recording does.`,
      );
    },
  },
];

/** Rules about how far the work on a caption has come. */
export const stateRules: readonly Rule[] = [
  {
    id: 'not-proofed',
    group: 'State',
    title: 'Not proofed',
    short: 'not proofed',
    look({ caption }, { style }) {
      return caption.proofed
        ? []
        : found(
            'not-proofed',
            style.state.proofed.severity,
            [caption.id],
            0,
            1,
            'Nobody has heard this caption through and agreed with it yet.',
          );
    },
  },
];

/** Caption start minus the start of its first spoken word, in ms; null where no word has a time of its own. */
function syncOffset(caption: Caption): number | null {
  const first = caption.words[0];
  return !first || first[5] === 'guessed' || first[0] > 0 ? null : caption.start - first[2];
}
