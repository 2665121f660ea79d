import type { ReadCaption } from '../model/caption.ts';
import fc from 'fast-check';
import { asked, bytes, options, readAs } from '../formats/arbitrary.ts';
import { srt } from '../formats/srt/srt.ts';
import { importCaptions } from '../formats/registry.ts';
import { rollingOf, unroll, type Habit } from './unroll.ts';

const clock = (ms: number): string => new Date(ms).toISOString().slice(11, 23).replace('.', ',');
/** An SRT file of texts that follow each other, a second and a half each. */
const file = (texts: readonly string[], each = 1500): string =>
  texts.map((t, i) => `${String(i + 1)}\n${clock(i * each)} --> ${clock((i + 1) * each)}\n${t}\n`).join('\n');

const spoken =
  'the lower gate is shut and the water in the chamber falls until it stands as low as the river then we open and the boat goes on her way no no wait for the bell'.split(
    ' ',
  );
const lines = Array.from({ length: Math.ceil(spoken.length / 4) }, (_, i) => spoken.slice(i * 4, i * 4 + 4).join(' '));

/** The habits live tracks are saved with, made of the same words. */
const habits: Readonly<Record<string, readonly [Habit, readonly string[]]>> = {
  'each line twice, rolling up': ['rolling', lines.map((l, i) => (i === 0 ? l : `${lines[i - 1] ?? ''}\n${l}`))],
  'rolling up with a moment of the last line alone': [
    'rolling',
    lines.flatMap((l, i) => (i === 0 ? [l] : [lines[i - 1] ?? '', `${lines[i - 1] ?? ''}\n${l}`])),
  ],
  'three lines at a time': ['rolling', lines.map((_, i) => lines.slice(Math.max(0, i - 2), i + 1).join('\n'))],
  'growing word by word, then rolling on': [
    'rolling',
    lines.flatMap((l, i) =>
      l.split(' ').map((_w, k, all) => `${i > 0 ? `${lines[i - 1] ?? ''}\n` : ''}${all.slice(0, k + 1).join(' ')}`),
    ),
  ],
  'growing, then beginning again': [
    'growing',
    lines.flatMap((l) => l.split(' ').map((_w, k, all) => all.slice(0, k + 1).join(' '))),
  ],
  'a word at a time': ['word by word', spoken],
};

const wordsOf = (captions: readonly ReadCaption[]): string[] => captions.flatMap((c) => c.text.split(/\s+/));

describe.each(Object.entries(habits))('captions that come %s', (_, [habit, texts]) => {
  const text = file(texts, habit === 'word by word' ? 400 : 1500);
  it('are seen, and unrolled so that every word stands once', () => {
    const rolled = importCaptions(bytes(text), asked);
    expect(rolled.rolling?.habit).toBe(habit);
    const plain = importCaptions(bytes(text), { ...asked, unroll: true });
    expect(wordsOf(plain.captions)).toEqual(spoken);
    plain.captions.forEach((c, i) => {
      expect(c.end).toBeGreaterThan(c.start);
      expect(c.end).toBeLessThanOrEqual(plain.captions[i + 1]?.start ?? Infinity);
    });
  });
});

it('a word stands at the time it first appeared', () => {
  const { captions } = readAs(srt, file(['one', 'one two', 'one two three', 'one two three four'], 700));
  const rolling = rollingOf(captions);
  expect(rolling).toEqual({ habit: 'growing', shown: 3, captions: 4 });
  const [first] = rolling ? unroll(captions, rolling, options.style) : [];
  expect([first?.start, first?.text]).toEqual([0, 'one two three four']);
});

it('word times inside the cues are kept, each word at its own', () => {
  const vtt = [0, 1, 2, 3]
    .map((i) => {
      const line = (k: number): string => `w${String(k)}a <00:0${String(k)}.500>w${String(k)}b`;
      return `00:0${String(i)}.000 --> 00:0${String(i + 1)}.000\n${i > 0 ? `w${String(i - 1)}a w${String(i - 1)}b\n` : ''}${line(i)}\n`;
    })
    .join('\n');
  const { captions, rolling } = importCaptions(bytes(`WEBVTT\n\n${vtt}`), { ...asked, unroll: true });
  expect(rolling?.habit).toBe('rolling');
  const words = captions.flatMap((c) => c.words.map((w) => [w[6], w[2]]));
  expect(words.filter(([w]) => String(w).endsWith('b'))).toEqual([
    ['w0b', 500],
    ['w1b', 1500],
    ['w2b', 2500],
    ['w3b', 3500],
  ]);
});

it('ordinary captions do not roll, not even where words are said twice', () => {
  const ordinary = [
    'Yes.',
    'Yes.',
    'Is it shut?',
    'It is shut.',
    'Shut?',
    'Yes.',
    'Good evening to you all,',
    'all of you.',
    'Good.',
  ];
  expect(rollingOf(readAs(srt, file(ordinary, 4000)).captions)).toBeNull();
  fc.assert(
    fc.property(
      fc.array(fc.stringMatching(/^[a-z]{2,6}( [a-z]{2,6}){3,6}$/), { minLength: 4, maxLength: 20 }),
      (texts) => {
        fc.pre(new Set(texts).size === texts.length);
        expect(rollingOf(readAs(srt, file(texts)).captions)).toBeNull();
      },
    ),
  );
});
