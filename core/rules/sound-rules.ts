/** Findings that hold captions against the sound: speech nobody wrote down, captions nobody says, sound nobody describes. */
import { perSaidLetter } from '../audio/align/script.ts';
import { heardFor, isIn, stretchesIn } from '../audio/heard-under.ts';
import type { Stretch } from '../audio/regions.ts';
import { isSpoken, soundNotes } from '../text/sound-notes.ts';
import { seconds } from '../timing/clock/clock.ts';
import type { Caption, WordRange } from '../model/caption.ts';
import { isHeard, isUnheard, isWhollyUnheard } from '../model/doubt.ts';
import type { CaptionInPlace, Rule } from './finding.ts';
import { plural } from '../text/plural.ts';

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
/** So much speech that no word of a caption stands for is a missing phrase, in ms. */
const missing = 500;

/** Speech of a caption's own time for which it has no word, in ms: the most between two words that were heard, and the word before it. */
function unsaidSpeech(
  { caption, next }: CaptionInPlace,
  speech: readonly Stretch[],
): { ms: number; after: string } | null {
  let most: { ms: number; after: string } | null = null;
  let last: WordRange | null = null;
  let needs = 0;
  const look = (until: number): void => {
    if (!last || until <= last[3]) return;
    const ms = heardFor(speech, last[3], until) - needs;
    if (ms > Math.max(missing, most?.ms ?? 0)) most = { ms, after: caption.text.slice(last[0], last[1]) };
  };
  for (const w of caption.words) {
    if (w[5] !== 'aligned' || !isHeard(w)) {
      needs += (w[1] - w[0] + 1) * perSaidLetter;
      continue;
    }
    look(w[2]);
    [last, needs] = [w, 0];
  }
  look(Math.min(caption.end, next?.start ?? Infinity, next?.words[0]?.[2] ?? Infinity));
  return most;
}

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
  {
    id: 'not-as-heard',
    group: 'Sound',
    title: 'Words and sound disagree',
    short: 'not as heard',
    severity: () => 'should',
    check(place, { regions, stretch }) {
      const { caption } = place;
      if (!regions || caption.proofed || !isIn(caption, stretch)) return null;
      const unheard = caption.words.filter((w) => isUnheard(caption, w));
      const [first] = unheard;
      const gap = unsaidSpeech(place, regions.speech);
      // Of its words none was heard: those that are there are notes, and guesses.
      if (!gap && caption.timing === 'set' && isWhollyUnheard(caption))
        return { value: caption.words.length, limit: 0, message: 'Not heard; moved with its neighbours.' };
      if (!first && !gap) return null;
      const words = first && `“${first[6]}”${unheard.length > 1 ? ` and ${plural(unheard.length - 1, 'other')}` : ''}`;
      const said = gap && `${seconds(gap.ms)} of speech after “${gap.after}” has no words`;
      const message = [words && `${words} ${unheard.length > 1 ? 'were' : 'was'} not heard here`, said]
        .filter(Boolean)
        .join('; ');
      return { value: unheard.length + (gap ? 1 : 0), limit: 0, message: `${message}.` };
    },
  },
];
