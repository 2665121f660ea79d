/** Findings about reading speed, duration and the room between captions. */
import { labelsIn } from '../text/labels.ts';
import { countWords, need, speedText } from '../text/measures.ts';
import { soundNotes } from '../text/sound-notes.ts';
import { gapText, seconds } from '../timing/clock/clock.ts';
import type { Caption } from '../model/caption.ts';
import { isIn, speechOffset } from '../audio/heard-under.ts';
import type { CaptionInPlace, Rule, RuleContext } from './finding.ts';
import { smallestGap, wholeGap } from '../style/style.ts';

/** A limit given in frames falls between milliseconds, so times on whole milliseconds get this much grace. */
const frameTolerance = 1;

export const timeRules: readonly Rule[] = [
  {
    id: 'too-fast',
    group: 'Reading',
    title: 'Too fast to read',
    short: 'too fast',
    severity: ({ reading }) => reading.speed.severity,
    check({ measures: { characters, duration, speed } }, { style }) {
      const { limit } = style.reading.speed;
      if (speed <= limit) return null;
      const message = `${String(characters)} characters in ${seconds(duration)} = ${speedText(speed)} cps; limit ${String(limit)}. Needs ${seconds(need(characters, limit))}.`;
      return { value: speed, limit, message };
    },
  },
  {
    id: 'too-many-wpm',
    group: 'Reading',
    title: 'Too many words a minute',
    short: 'too many words',
    severity: ({ reading }) => reading.words.severity,
    check({ caption, measures: { duration } }, { style }) {
      const { limit } = style.reading.words;
      const words = countWords(caption.text);
      const value = duration > 0 ? (words * 60_000) / duration : words > 0 ? Infinity : 0;
      if (value <= limit) return null;
      const message = `${String(words)} words in ${seconds(duration)} = ${String(Math.ceil(value))} a minute; limit ${String(limit)}.`;
      return { value, limit, message };
    },
  },
  {
    id: 'brisk',
    group: 'Reading',
    title: 'Above target speed',
    short: 'brisk',
    severity: ({ reading }) => (reading.speed.severity === 'off' ? 'off' : 'should'),
    check({ measures: { speed } }, { style }) {
      const { limit, target } = style.reading.speed;
      if (speed <= target || speed > limit) return null;
      const message = `${speedText(speed)} cps is above the target of ${String(target)}, within the limit of ${String(limit)}.`;
      return { value: speed, limit: target, message };
    },
  },
  {
    id: 'too-short',
    lessIsWorse: true,
    group: 'Time',
    title: 'On screen too briefly',
    short: 'too brief',
    severity: ({ time }) => time.shortest.severity,
    check({ measures: { duration } }, { style }) {
      const { limit } = style.time.shortest;
      if (duration >= limit) return null;
      return { value: duration, limit, message: `On screen for ${seconds(duration)}; shortest ${seconds(limit)}.` };
    },
  },
  {
    id: 'too-long',
    group: 'Time',
    title: 'On screen too long',
    short: 'too long',
    severity: ({ time }) => time.longest.severity,
    check({ measures: { duration } }, { style }) {
      const { limit } = style.time.longest;
      if (duration <= limit) return null;
      return { value: duration, limit, message: `On screen for ${seconds(duration)}; longest ${seconds(limit)}.` };
    },
  },
  {
    id: 'gap-too-small',
    lessIsWorse: true,
    group: 'Time',
    title: 'Gap too small',
    short: 'small gap',
    severity: ({ time }) => time.gap.severity,
    check({ caption, next }, { style, rate }) {
      if (!next) return null;
      const gap = next.start - caption.end;
      const { limit: asked, unit } = style.time.gap;
      const limit = smallestGap(style, rate);
      if (gap < 0 || gap >= limit - (unit === 'frames' ? frameTolerance : 0)) return null;
      const least = unit === 'frames' ? `${String(asked)} frames (${gapText(Math.round(limit))})` : gapText(asked);
      const message = `${gapText(gap)} before the next caption; smallest gap ${least}.`;
      return { value: gap, limit, message, withNext: true };
    },
  },
  {
    id: 'gap-to-close',
    group: 'Time',
    title: 'Gap to close',
    short: 'gap to close',
    severity: ({ time }) => time.closeBelow.severity,
    check({ caption, next }, { style, rate }) {
      if (!next) return null;
      const gap = next.start - caption.end;
      const below = style.time.closeBelow.limit;
      const limit = wholeGap(style, rate);
      if (gap <= limit + frameTolerance || gap >= below) return null;
      const message = `${gapText(gap)} before the next caption; gaps below ${gapText(below)} are closed to ${gapText(limit)}.`;
      return { value: gap, limit, message, withNext: true };
    },
  },
  {
    id: 'overlap',
    group: 'Time',
    title: 'Overlaps the next',
    short: 'overlap',
    severity: ({ time }) => time.overlap.severity,
    check({ caption, next }) {
      if (!next || next.start >= caption.end) return null;
      const value = caption.end - next.start;
      const message = `Still on screen for ${seconds(value)} after the next caption has begun.`;
      return { value, limit: 0, message, withNext: true };
    },
  },
  {
    id: 'provisional',
    group: 'Time',
    title: 'Not timed',
    short: 'not timed',
    severity: ({ time }) => time.provisional.severity,
    check({ caption }) {
      if (caption.timing === 'set' || caption.text.trim() === '') return null;
      return { value: 1, limit: 0, message: 'This caption is not timed yet; its times are a guess.' };
    },
  },
  {
    id: 'early',
    group: 'Time',
    title: 'Early against speech',
    short: 'early',
    severity: ({ time }) => time.sync.severity,
    check(place, { style, ...sound }) {
      const limit = style.time.sync.early;
      const { by, what } = offsetFrom(place, sound);
      const value = -by;
      if (value <= limit) return null;
      const message = `Begins ${seconds(value)} before its ${what}; at most ${seconds(limit)}.`;
      return { value, limit, message };
    },
  },
  {
    id: 'late',
    group: 'Time',
    title: 'Late against speech',
    short: 'late',
    severity: ({ time }) => time.sync.severity,
    check(place, { style, ...sound }) {
      const limit = style.time.sync.late;
      const { by: value, what } = offsetFrom(place, sound);
      if (value <= limit) return null;
      const message = `Begins ${seconds(value)} after its ${what}; at most ${seconds(limit)}.`;
      return { value, limit, message };
    },
  },
  {
    id: 'past-the-end',
    group: 'Time',
    title: 'Past the end of the recording',
    short: 'past end',
    severity: () => 'must',
    check({ caption: { end } }, { length }) {
      if (length === null || end <= length) return null;
      return { value: end, limit: length, message: `Ends ${seconds(end - length)} after the recording does.` };
    },
  },
];

/** Rules about how far the work on a caption has come. */
/** Comes before all others: what a caption is has to be clear before anything else about it is. */
export const conflictRule: Rule = {
  id: 'in-conflict',
  group: 'State',
  title: 'Versions to choose from',
  short: 'versions',
  // Whatever the style: two people wrote something else here, and one caption goes out.
  severity: () => 'must',
  check({ caption }) {
    if (!caption.versions) return null;
    const count = caption.versions.length + 1;
    return {
      value: caption.versions.length,
      limit: 0,
      message: `This caption was changed in two places at once: ${String(count)} versions, one to be chosen.`,
    };
  },
};

export const stateRules: readonly Rule[] = [
  {
    id: 'come-back',
    group: 'State',
    title: 'Marked to come back to',
    short: 'come back',
    // Whatever the style: somebody left it for later.
    severity: () => 'should',
    check({ caption: { comeBack } }) {
      if (comeBack === null) return null;
      const what = comeBack === '' ? '' : `: ${comeBack}`;
      return { value: 1, limit: 0, message: `Marked to come back to${what}.`.replace(/([.?!])\.$/, '$1') };
    },
  },
  {
    id: 'not-proofed',
    group: 'State',
    title: 'Not proofed',
    short: 'not proofed',
    severity: ({ state }) => state.proofed.severity,
    check({ caption }) {
      if (caption.proofed) return null;
      return { value: 0, limit: 1, message: 'Nobody has checked this caption against the sound yet.' };
    },
  },
];

/** How late a caption begins, in ms: against its first word, or where that has no time, against the speech it is nearest to. */
function offsetFrom(
  { caption, before, next }: CaptionInPlace,
  { regions, stretch }: Pick<RuleContext, 'regions' | 'stretch'>,
): { readonly by: number; readonly what: string } {
  const toWord = syncOffset(caption);
  if (toWord !== null) return { by: toWord, what: 'first word' };
  const held = regions && isIn(caption, stretch);
  return { by: (held ? speechOffset(caption, before, next, regions.speech) : null) ?? 0, what: 'speech' };
}

/**
 * Caption start minus the start of its first spoken word, in ms; null where that word has no time of its
 * own. Labels and sound notes before it are not spoken.
 */
function syncOffset(caption: Caption): number | null {
  const first = caption.words.find((w) => w[5] !== 'guessed');
  if (!first) return null;
  const unspoken = first[0] > 0 ? [...labelsIn(caption), ...soundNotes(caption.text)] : [];
  for (let at = 0; at < first[0]; at++) {
    if (/[\p{L}\p{N}]/u.test(caption.text.charAt(at)) && !unspoken.some((s) => s.from <= at && s.to > at)) return null;
  }
  return caption.start - first[2];
}
