import fc from 'fast-check';
import { shippedStyles } from '../style/shipped.ts';
import { findIn } from '../rules/finder.ts';
import { captionsArbitrary } from '../model/arbitrary.ts';
import { caption, type Caption } from '../model/caption.ts';
import { partings, reflow, type Frame } from './reflow.ts';

const rate = { numerator: 25, denominator: 1 };
let made = 0;
const newId = (): string => `r${String(++made)}`;
const wordsOf = (captions: readonly Caption[]): string[] =>
  captions.flatMap((c) => c.text.split(/\s+/)).filter(Boolean);
/** Words with the marks, the speaker and the time on them. */
const hanging = (captions: readonly Caption[]) =>
  captions.flatMap((c) =>
    Array.from(c.text.matchAll(/\S+/g), (m) => {
      const on = (r: { from: number; to: number }): boolean => r.from < m.index + m[0].length && r.to > m.index;
      return [
        m[0],
        c.marks.filter(on).map((k) => k.kind),
        c.speakers.filter(on).map((s) => s.speaker),
        c.words.filter((w) => w[0] < m.index + m[0].length && w[1] > m.index).map((w) => [w[2], w[3], w[6]]),
      ];
    }),
  );

describe.each(shippedStyles.map((s) => [s.name, s] as const))('reflow under %s', (_, style) => {
  const frame: Frame = { style, rate, language: 'en' };

  it('keeps every word, mark, speaker and word time', () => {
    fc.assert(
      fc.property(captionsArbitrary, (captions) => {
        const voiced = captions.map((c) => ({
          ...c,
          speakers: [{ from: 0, to: c.text.length, speaker: c.start % 2 ? 'Keeper' : 'Visitor', label: 0 }],
        }));
        expect(hanging(reflow(voiced, frame, newId))).toEqual(hanging(voiced));
      }),
    );
  });

  it('gives captions in order that never overlap, each with time on screen', () => {
    fc.assert(
      fc.property(captionsArbitrary, (captions) => {
        const out = reflow(captions, frame, newId);
        expect(wordsOf(out)).toEqual(wordsOf(captions));
        out.forEach((c, i) => {
          expect(c.end).toBeGreaterThan(c.start);
          expect(c.end).toBeLessThanOrEqual(Math.max(c.start + 1, out[i + 1]?.start ?? Infinity));
        });
      }),
    );
  });

  const spoken = fc
    .array(
      fc.tuple(
        fc.constantFrom('the', 'gate', 'is', 'shut.', 'and', 'water', 'falls,', 'slowly', 'of', 'Tollen', 'Reach'),
        fc.constantFrom(0, 0, 60, 400, 1800),
        fc.integer({ min: 90, max: 500 }),
      ),
      { minLength: 1, maxLength: 11 },
    )
    .map((parts) => {
      let clock = 0;
      return parts.map(([text, pause, length], i) => {
        const start = clock + pause;
        clock = start + length;
        return caption({
          id: String(i),
          start,
          end: clock,
          text,
          words: [[0, text.length, start, clock, 1, 'recogniser', text]],
        });
      });
    });

  it('costs what the best of all possible layouts costs', () => {
    fc.assert(
      fc.property(spoken, (captions) => {
        const { words, best, cost } = partings(captions, frame);
        let least = Infinity;
        for (let set = 0; set < 2 ** (words - 1); set++)
          least = Math.min(
            least,
            cost([0, ...Array.from({ length: words - 1 }, (_x, i) => i + 1).filter((i) => (set >> (i - 1)) & 1)]),
          );
        expect(cost(best)).toBeCloseTo(least, 6);
      }),
      { numRuns: 25 },
    );
  });
});

const [lecture] = shippedStyles;
if (!lecture) throw new Error('Styles ship.');
const frame: Frame = { style: lecture, rate, language: 'en' };

it('ends captions with sentences, and begins one where somebody else speaks', () => {
  const say = (id: string, start: number, text: string, speaker: string) =>
    caption({
      id,
      start,
      end: start + text.length * 60,
      text,
      speakers: [{ from: 0, to: text.length, speaker, label: 0 }],
    });
  const out = reflow(
    [
      say('a', 0, 'The lower gate is shut. The water in the', 'Keeper'),
      say('b', 2500, 'chamber falls until it is level. Is it deep?', 'Keeper'),
      say('c', 6400, 'It is not.', 'Visitor'),
    ],
    frame,
    newId,
  );
  expect(out.map((c) => c.text.replace(/\n/g, ' / '))).toEqual([
    'The lower gate is shut.',
    'The water in the chamber / falls until it is level.',
    'Is it deep?',
    'It is not.',
  ]);
  expect(findIn(out, { style: lecture, rate, length: null }).must).toBe(0);
});

it.each<[string, Caption[]]>([
  ['no caption', []],
  ['a caption without text', [caption({ id: 'a', start: 0, end: 0, text: '' })]],
  ['one without duration', [caption({ id: 'a', start: 5, end: 5, text: 'one two three' })]],
  ['one word of 3,000 letters', [caption({ id: 'a', start: 0, end: 1000, text: 'x'.repeat(3000) })]],
])('%s is laid out without a throw', (_, captions) => {
  expect(wordsOf(reflow(captions, frame, newId))).toEqual(wordsOf(captions));
});
