/** The house styles that ship with Fenwix. Their figures are in use (common practice); the combinations are Fenwix's own. */
import { countEverything } from '../text/measures.ts';
import type { HouseStyle } from './style.ts';

/** For recordings of talks and courses. */
const lecture: HouseStyle = {
  schema: 3,
  id: 'lecture-38',
  name: 'Lecture 38',
  version: 3,
  counting: countEverything,
  text: {
    lineLength: { limit: 38, severity: 'must' },
    lines: { limit: 2, severity: 'must' },
    wordsInLine: { limit: 12, severity: 'off' },
    oneLineUpTo: { limit: 38, severity: 'should' },
    ownLineAbove: { limit: 20, severity: 'off' },
    shape: { form: 'shorter first', severity: 'off' },
    breaks: { severity: 'should' },
    characters: { set: 'any', severity: 'off' },
    tidy: { severity: 'should' },
    speakerLabels: { form: 'NAME:', severity: 'off' },
    soundNotes: { form: '[lower case]', severity: 'should' },
    hesitations: { are: 'removed', severity: 'off' },
    numerals: { from: 11, severity: 'off' },
  },
  reading: {
    speed: { limit: 20, target: 15, severity: 'must' },
    words: { limit: 240, target: 180, severity: 'off' },
  },
  time: {
    shortest: { limit: 1000, severity: 'must' },
    longest: { limit: 7000, severity: 'must' },
    gap: { limit: 2, unit: 'frames', severity: 'must' },
    closeBelow: { limit: 0, severity: 'off' },
    overlap: { severity: 'must' },
    provisional: { severity: 'must' },
    usual: 2500,
    sync: { early: 500, late: 250, severity: 'off' },
    lead: 0,
    linger: 200,
  },
  sound: {
    uncovered: { limit: 600, severity: 'should' },
    unheard: { limit: 10, severity: 'should' },
    undescribed: { limit: 2000, severity: 'off' },
  },
  state: { proofed: { severity: 'off' } },
};

/** For short upright video, where a line holds few words. */
const upright: HouseStyle = {
  ...lecture,
  id: 'upright-17',
  name: 'Upright 17',
  text: {
    ...lecture.text,
    lineLength: { limit: 17, severity: 'must' },
    oneLineUpTo: { limit: 17, severity: 'off' },
    wordsInLine: { limit: 4, severity: 'should' },
    breaks: { severity: 'off' },
    shape: { form: 'even', severity: 'off' },
  },
  reading: {
    speed: { limit: 25, target: 20, severity: 'must' },
    words: { limit: 280, target: 220, severity: 'off' },
  },
  time: {
    ...lecture.time,
    shortest: { limit: 600, severity: 'must' },
    longest: { limit: 5000, severity: 'must' },
    gap: { limit: 0, unit: 'ms', severity: 'should' },
    usual: 1200,
  },
};

/** For the North American caption grid: 32 columns, 15 rows, at most 4 rows used (47 CFR 79.101). */
const grid: HouseStyle = {
  ...lecture,
  id: 'grid-32',
  name: 'Grid 32',
  text: {
    ...lecture.text,
    lineLength: { limit: 32, severity: 'must' },
    lines: { limit: 4, severity: 'must' },
    oneLineUpTo: { limit: 32, severity: 'off' },
    characters: { set: 'cea-608', severity: 'must' },
    soundNotes: { form: '[UPPER CASE]', severity: 'off' },
  },
  reading: { ...lecture.reading, speed: { limit: 25, target: 17, severity: 'should' } },
  time: { ...lecture.time, longest: { limit: 6000, severity: 'should' } },
};

/** For streaming: long lines, tight figures, gaps that are either closed or left open. */
const stream: HouseStyle = {
  ...lecture,
  id: 'stream-41',
  name: 'Stream 41',
  text: {
    ...lecture.text,
    lineLength: { limit: 41, severity: 'must' },
    oneLineUpTo: { limit: 34, severity: 'must' },
    breaks: { severity: 'must' },
    tidy: { severity: 'must' },
  },
  reading: { ...lecture.reading, speed: { limit: 18, target: 15, severity: 'must' } },
  time: {
    ...lecture.time,
    gap: { limit: 3, unit: 'frames', severity: 'must' },
    closeBelow: { limit: 400, severity: 'should' },
    sync: { early: 500, late: 250, severity: 'should' },
  },
  sound: { ...lecture.sound, undescribed: { limit: 2000, severity: 'should' } },
};

/** For children who have just learned to read. */
const children: HouseStyle = {
  ...lecture,
  id: 'young-reader-37',
  name: 'Young reader 37',
  text: {
    ...lecture.text,
    lineLength: { limit: 37, severity: 'must' },
    oneLineUpTo: { limit: 30, severity: 'should' },
    ownLineAbove: { limit: 15, severity: 'should' },
    breaks: { severity: 'must' },
  },
  reading: {
    speed: { limit: 13, target: 11, severity: 'should' },
    words: { limit: 140, target: 110, severity: 'should' },
  },
  time: { ...lecture.time, shortest: { limit: 1500, severity: 'should' }, longest: { limit: 8000, severity: 'must' } },
};

export const shippedStyles: readonly HouseStyle[] = [lecture, upright, grid, stream, children];

/** The style that ships under this id; null where none does. */
export function shippedStyle(id: string): HouseStyle | null {
  return shippedStyles.find((s) => s.id === id) ?? null;
}

/** The style every part that older or foreign files leave out is taken from. */
export const plainStyle = lecture;
