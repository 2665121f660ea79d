/** Findings that hold captions against the sound: speech nobody wrote down, captions nobody says, sound nobody describes. */
import { heardFor, isIn, stretchesIn } from '../speech/heard-under.ts';
import type { Stretch } from '../speech/regions.ts';
import { isSpoken, soundNotes } from '../text/sound-notes.ts';
import { seconds } from '../time/clock.ts';
import type { Caption } from '../track/caption.ts';
import type { CaptionInPlace, Rule } from './finding.ts';

/** From this many times the limit on, speech without a caption is told even where most of its stretch has one. */
const inAnyCase = 3;

const whole: Stretch = { start: 0, end: Infinity };
/** What of a time lies within the part that is to be captioned. */
const within = ({ start, end }: Stretch, part: Stretch): Stretch => ({
  start: Math.max(start, part.start),
  end: Math.min(end, part.end),
});
/** The times around a caption that no caption has and that are its own to tell of: after it, and before the first. */
function gapsOf({ caption, before, next }: CaptionInPlace, length: number | null, part: Stretch): Stretch[] {
  const gaps: Stretch[] = before ? [] : [{ start: 0, end: caption.start }];
  const start = Math.max(caption.end, before?.end ?? 0);
  return [...gaps, { start, end: next?.start ?? length ?? Infinity }]
    .map((gap) => within(gap, part))
    .filter((gap) => gap.end > gap.start);
}
const has = (caption: Caption | null, from: number, to: number): boolean =>
  caption !== null && caption.start < to && caption.end > from && soundNotes(caption.text).length > 0;
export const soundRules: readonly Rule[] = [
  {
    id: 'speech-without-caption',
    group: 'Sound',
    title: 'Speech with no caption',
    short: 'speech, no caption',
    ofTime: true,
    severity: ({ sound }) => sound.uncovered.severity,
    check(place, { style, regions, length, stretch }) {
      if (!regions) return null;
      const { limit } = style.sound.uncovered;
      for (const gap of gapsOf(place, length, stretch ?? whole))
        for (const speech of stretchesIn(regions.speech, gap.start, gap.end)) {
          const value = Math.min(gap.end, speech.end) - Math.max(gap.start, speech.start);
          const most = value * 2 >= speech.end - speech.start || value >= limit * inAnyCase;
          if (value < limit || !most) continue;
          const side = gap.start < place.caption.start ? 'before' : 'after';
          return { value, limit, message: `${seconds(value)} of speech ${side} this caption has no caption.` };
        }
      return null;
    },
  },
  {
    id: 'caption-without-speech',
    group: 'Sound',
    title: 'Caption with no speech under it',
    short: 'no speech',
    lessIsWorse: true,
    ofTime: true,
    severity: ({ sound }) => sound.unheard.severity,
    check({ caption, measures: { duration } }, { style, regions, stretch }) {
      if (!regions || duration <= 0 || !isIn(caption, stretch) || !isSpoken(caption.text)) return null;
      const { limit } = style.sound.unheard;
      const value = Math.round((heardFor(regions.speech, caption.start, caption.end) / duration) * 100);
      if (value >= limit) return null;
      return {
        value,
        limit,
        message: `Speech is heard in ${String(value)} % of its time; at least ${String(limit)} %.`,
      };
    },
  },
  {
    id: 'sound-without-note',
    group: 'Sound',
    title: 'Sound with no note',
    short: 'sound, no note',
    ofTime: true,
    severity: ({ sound }) => sound.undescribed.severity,
    check({ caption, before, next }, { style, regions, length, stretch }) {
      if (!regions) return null;
      const { limit } = style.sound.undescribed;
      const from = before ? caption.start : 0;
      for (const sound of stretchesIn(regions.sound, from, next?.start ?? length ?? Infinity)) {
        const heard = within(sound, stretch ?? whole);
        const value = heard.end - heard.start;
        // Told once: by the caption in whose time it begins.
        if (value < limit || sound.start < from) continue;
        if ([before, caption, next].some((c) => has(c, heard.start, heard.end))) continue;
        return { value, limit, message: `${seconds(value)} of sound that is not speech has no note.` };
      }
      return null;
    },
  },
];
