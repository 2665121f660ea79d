/** Findings about reading speed, duration and the room between captions. */
import { measure, need, speedText } from '../text/measures.ts';
import { seconds } from '../time/clock.ts';
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
