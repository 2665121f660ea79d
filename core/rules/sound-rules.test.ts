import { plainStyle } from '../style/shipped.ts';
import { usualRate } from '../timing/clock/frames.ts';
import { apply } from '../model/apply.ts';
import { asUnheard, isUnsure } from '../model/doubt.ts';
import { caption, type Caption, type WordRange } from '../model/caption.ts';
import type { Regions } from '../audio/regions.ts';
import type { HouseStyle } from '../style/style.ts';
import { finder, findIn } from './finder.ts';

const style: HouseStyle = {
  ...plainStyle,
  sound: { ...plainStyle.sound, undescribed: { limit: 2000, severity: 'should' } },
  time: { ...plainStyle.time, sync: { early: 500, late: 250, severity: 'should' } },
};
const wanted = new Set(['speech-without-caption', 'caption-without-speech', 'sound-without-note', 'early', 'late']);
const at = (id: string, start: number, end: number, text = 'Wait here.'): Caption => caption({ id, start, end, text });
/** What is held against the sound, as `rule of caption`. */
const found = (captions: readonly Caption[], regions: Regions | null, length = 60_000): string[] =>
  [...findIn(captions, { style, rate: usualRate, length, language: 'en', regions }).byCaption.entries()].flatMap(
    ([id, findings]) => findings.filter((f) => wanted.has(f.rule)).map((f) => `${f.rule} of ${id}`),
  );
const speech = (...times: readonly (readonly [number, number])[]): Regions => ({
  speech: times.map(([start, end]) => ({ start, end })),
  sound: [],
});

it('tells speech of 0.6 s with no caption: before the first, between two, after the last', () => {
  const two = [at('a', 2000, 3000), at('b', 6000, 7000)];
  const under = [2000, 3000] as const;
  expect(found(two, speech(under, [6000, 7000]))).toEqual([]);
  expect(found(two, speech([500, 1100], under, [6000, 7000]))).toEqual(['speech-without-caption of a']);
  expect(found(two, speech(under, [4000, 4599], [6000, 7000]))).toEqual([]);
  expect(found(two, speech(under, [4000, 4600], [6000, 7000]))).toEqual(['speech-without-caption of a']);
  expect(found(two, speech(under, [6000, 7000], [9000, 9700]))).toEqual(['speech-without-caption of b']);
});

it('lets a stretch be that is more than half covered, unless a whole sentence of it is not', () => {
  const one = [at('a', 2000, 4000)];
  expect(found(one, speech([2000, 5500]))).toEqual([]);
  expect(found(one, speech([2000, 5800]))).toEqual(['speech-without-caption of a']);
});

it('tells a caption with under a tenth of speech, but not a sound note', () => {
  expect(found([at('a', 2000, 4000)], speech([3900, 4000]))).toContain('caption-without-speech of a');
  expect(found([at('a', 2000, 4000)], speech([2000, 2200]))).toEqual([]);
  expect(found([at('a', 2000, 4000, '[water rushing]')], speech())).toEqual([]);
});

it('tells sound of 2 s with no note, once, by the caption in whose time it begins', () => {
  const sound = (start: number, end: number): Regions => ({
    speech: [
      { start: 1000, end: 3000 },
      { start: 9000, end: 10_000 },
    ],
    sound: [{ start, end }],
  });
  const two = [at('a', 1000, 3000), at('b', 9000, 10_000)];
  expect(found(two, sound(4000, 6000))).toEqual(['sound-without-note of a']);
  expect(found(two, sound(4000, 5999))).toEqual([]);
  expect(found([at('a', 1000, 3000), at('n', 4500, 5500, '[horn]'), at('b', 9000, 10_000)], sound(4000, 6000))).toEqual(
    [],
  );
});

it('tells how late a caption is against the speech it begins with, where no word has a time', () => {
  expect(found([at('a', 1300, 3000)], speech([1000, 3000]))).toEqual(['late of a']);
  expect(found([at('a', 400, 3000)], speech([1000, 3000]))).toEqual(['early of a']);
  // The second begins in mid-speech: the speech is the first one's.
  expect(found([at('a', 1000, 2000), at('b', 2080, 3000)], speech([1000, 3000]))).toEqual([]);
});

describe('words that were listened for', () => {
  /** A caption of words heard one after the other, each 300 ms long; those in brackets were not heard. */
  const listened = (...words: readonly string[]): Caption => {
    const text = words.map((w) => w.replace(/[()]/g, '')).join(' ');
    let from = 0;
    const ranges = words.map((w, i): WordRange => {
      const word = w.replace(/[()]/g, '');
      const [at, start] = [from, 1000 + i * 300];
      from += word.length + 1;
      return w === word
        ? [at, at + word.length, start, start + 300, 0.9, 'aligned', word]
        : [at, at + word.length, start, start + 300, 0, 'guessed', word];
    });
    return caption({ id: 'a', start: 1000, end: 1000 + words.length * 300, text, words: ranges });
  };
  const saysOf = (c: Caption, regions = speech([1000, c.end]), stretch = { start: 0, end: 60_000 }): string[] =>
    [...findIn([c], { style, rate: usualRate, length: 60_000, regions, stretch }).byCaption.values()]
      .flat()
      .flatMap((f) => (f.rule === 'not-as-heard' ? [f.message] : []));

  it('and not heard are told, until they are corrected, or the caption is proofed', () => {
    const one = listened('open', 'the', '(lantern)', 'now');
    expect(saysOf(one)).toEqual(['“lantern” was not heard here.']);
    const { captions } = apply([one], { type: 'splice', id: 'a', from: 9, to: 16, insert: 'lower gate' });
    expect(captions.flatMap((c) => saysOf(c))).toEqual([]);
    expect(saysOf({ ...one, proofed: true })).toEqual([]);
    expect(saysOf(one, speech([1000, 2200]), { start: 30_000, end: 60_000 })).toEqual([]);
  });
  it('and went badly with their sound are told too; very short ones are not', () => {
    const [first, second] = listened('open', 'lantern').words;
    if (!first || !second) throw new Error('There are two.');
    const badly: WordRange = [second[0], second[1], second[2], second[3], 0.4, 'aligned', 'lantern'];
    expect(saysOf({ ...listened('open', 'lantern'), words: [first, badly] })).toEqual([
      '“lantern” was not heard here.',
    ]);
    expect(saysOf(listened('open', '(a)', 'gate'))).toEqual([]);
  });
  it('are all unheard where a caption moved with its neighbours, a recogniser’s own words too, until it is proofed or heard', () => {
    const none = listened('(open)', '(the)', '(gate)');
    expect(saysOf(none)).toEqual(['Not heard; moved with its neighbours.']);
    const drafted = {
      ...none,
      words: none.words.map((w): WordRange => [w[0], w[1], w[2], w[3], 1, 'recogniser', w[6]]),
    };
    expect(saysOf(drafted)).toEqual([]);
    const along = { ...drafted, words: drafted.words.map(asUnheard) };
    expect(saysOf(along)).toEqual(['Not heard; moved with its neighbours.']);
    expect(saysOf({ ...along, proofed: true })).toEqual([]);
    expect(saysOf({ ...along, words: drafted.words })).toEqual([]);
    const { captions } = apply([along], { type: 'splice', id: 'a', from: 0, to: along.text.length, insert: 'shut it' });
    expect(captions.flatMap((c) => saysOf(c))).toEqual([]);
  });
  it('stay doubtful where a recogniser was unsure of them, heard or not', () => {
    const c = listened('open');
    const unsure: WordRange = [0, 4, 1000, 1300, 0.1, 'recogniser', 'open'];
    expect([unsure, asUnheard(unsure)].map((w) => isUnsure(c, w))).toEqual([true, true]);
    // Times that were shared out are nobody’s doubt.
    expect(isUnsure(c, [0, 4, 1000, 1300, 1, 'guessed', 'open'], 1)).toBe(false);
  });
  it('leave speech that none of them stands for: a phrase is missing', () => {
    const c = listened('open', 'gate');
    const [first, second] = c.words;
    if (!first || !second) throw new Error('There are two.');
    const apart = (by: number): Caption => ({
      ...c,
      end: 1600 + by,
      words: [first, [second[0], second[1], 1300 + by, 1600 + by, 0.9, 'aligned', 'gate']],
    });
    expect(saysOf(apart(500))).toEqual([]);
    expect(saysOf(apart(900))).toEqual(['0.90 s of speech after “open” has no words.']);
    // A pause is none.
    expect(saysOf(apart(900), speech([1000, 1300], [2200, 2500]))).toEqual([]);
  });
});

it('holds nothing against a sound nobody has heard, and nothing against captions that are not timed', () => {
  expect(found([at('a', 2000, 4000)], null)).toEqual([]);
  expect(found([{ ...at('a', 2000, 4000), timing: 'provisional' }], speech([9000, 9900]))).toEqual([]);
});

it('tells the same after an edit as from the beginning', () => {
  const captions = [at('a', 1000, 3000), at('b', 5000, 6000), at('c', 9000, 10_000)];
  const context = {
    style,
    rate: usualRate,
    length: 20_000,
    language: 'en',
    regions: speech([1000, 3000], [5000, 6000], [9000, 10_000]),
  };
  const { look } = finder();
  for (const track of [captions, captions.filter((c) => c.id !== 'b'), captions])
    expect(look(track, context).byCaption).toEqual(findIn(track, context).byCaption);
});

it('asks for nothing outside the part that is to be captioned', () => {
  const captions = [at('a', 1000, 3000), at('b', 20_000, 21_000)];
  const regions: Regions = {
    speech: [
      { start: 1000, end: 3000 },
      { start: 5000, end: 9000 },
    ],
    sound: [{ start: 12_000, end: 16_000 }],
  };
  const within = (start: number, end: number): string[] =>
    [
      ...findIn(captions, { style, rate: usualRate, length: 30_000, regions, stretch: { start, end } }).byCaption,
    ].flatMap(([id, findings]) => findings.filter((f) => wanted.has(f.rule)).map((f) => `${f.rule} of ${id}`));
  expect(within(0, 30_000)).toEqual([
    'speech-without-caption of a',
    'sound-without-note of a',
    'caption-without-speech of b',
  ]);
  expect(within(0, 4000)).toEqual([]);
  // What reaches out of it counts as far as it is in it.
  expect(within(0, 5500)).toEqual([]);
  expect(within(0, 7500)).toEqual(['speech-without-caption of a']);
  expect(within(0, 13_500)).toEqual(['speech-without-caption of a']);
  expect(within(13_000, 30_000)).toEqual(['sound-without-note of a', 'caption-without-speech of b']);
});
