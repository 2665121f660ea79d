/**
 * Checked against the demo’s script, whose sentences and their times are known in three languages, so that it is known
 * where each caption belongs, whatever became of it.
 */
import { chances } from '../../chances-for-tests.ts';
import { readFileSync } from 'node:fs';
import { offFromOthers } from '../whole/line.ts';
import { caption, type Caption } from '../../model/caption.ts';
import { along } from '../../model/pieces.ts';
import { disagreement, pairCaptions, piecesOf, tiesOf, tiesThatGoTogether, type BorrowedTie } from './borrow.ts';
import { oneForOne } from './one-for-one.ts';
import { certain, type Pair } from './pair.ts';

interface Sentence {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}
const of = (name: string): unknown => JSON.parse(readFileSync(`demo/recordings/${name}`, 'utf8'));
const { sentences } = of('lock-after-dark/true-script.json') as { sentences: readonly Sentence[] };
const other = (of('keepers-round/true-script.json') as { sentences: readonly Sentence[] }).sentences;
const translations = of('lock-after-dark/translations.json') as Record<string, readonly string[]>;

interface Spoiling {
  readonly language: string;
  readonly missing?: number;
  readonly merged?: number;
  readonly reordered?: number;
  /** How far begins and ends are from where it is said, in ms at most. */
  readonly loose?: number;
  readonly line?: (ms: number) => number;
}
/** The script as somebody’s captions. */
function captionsOf(s: Spoiling, chance: () => number): readonly Caption[] {
  const rows = sentences.map(({ start, end, text }, i) => ({
    start,
    end,
    text: translations[s.language]?.[i] ?? text,
  }));
  for (let i = 0; i + 1 < rows.length; i++) {
    const [a, b] = [rows[i], rows[i + 1]];
    if (!a || !b || chance() >= (s.reordered ?? 0) / 2) continue;
    [a.text, b.text] = [b.text, a.text];
    i++;
  }
  const left = rows.filter(() => chance() >= (s.missing ?? 0));
  const captions: Caption[] = [];
  const move = (ms: number): number =>
    Math.max(0, Math.round((s.line ?? ((x) => x))(ms + (chance() - 0.5) * 2 * (s.loose ?? 0))));
  for (let i = 0; i < left.length; i++) {
    const [a, b] = [left[i], left[i + 1]];
    if (!a) continue;
    const isMerged = b !== undefined && b.start - a.end < 1500 && chance() < (s.merged ?? 0);
    const [end, text] = isMerged ? [b.end, `${a.text}\n${b.text}`] : [a.end, a.text];
    if (isMerged) i++;
    captions.push(caption({ id: `${s.language} ${String(i)}`, start: move(a.start), end: move(end), text }));
  }
  return captions;
}
const ties = (moved: readonly Caption[], giving: readonly Caption[]): readonly BorrowedTie[] =>
  tiesOf(moved, giving, pairCaptions(moved, giving).pairs).filter((t) => t.certainty >= certain);

const late = (ms: number): number => ms + 3200;
const drifting = (ms: number): number => (ms * 25 * 1001) / 24_000 - 800;
const another = (ms: number): number => (ms < 60_000 ? ms + 1000 : ms + 31_000);

describe('captions of two tracks', () => {
  it.each([
    ['French, late', 'fr', late],
    ['French, at another rate', 'fr', drifting],
    ['French, with a scene more', 'fr', another],
    ['German, late', 'de', late],
    ['German, at another rate', 'de', drifting],
    ['German, with a scene more', 'de', another],
    ['English, at another rate', 'en', drifting],
    ['English, with a scene more', 'en', another],
  ])('%s: nineteen in twenty ties are right without a hand', (_, language, line) => {
    let [right, all, possible] = [0, 0, 0];
    for (let seed = 1; seed <= 8; seed++) {
      const chance = chances(seed * 7919);
      const spoilt = { missing: 0.08, merged: 0.1, loose: 120 };
      const moved = captionsOf({ language, line, reordered: 0.1, ...spoilt }, chance);
      const giving = captionsOf({ language: 'en', ...spoilt }, chance);
      for (const { at, to } of ties(moved, giving)) {
        all++;
        // Both are loose, and a rate makes that a little more.
        if (Math.abs(line(to) - at) <= 400) right++;
      }
      possible += moved.filter((m) => giving.some((g) => Math.abs(line(g.start) - m.start) <= 400)).length;
    }
    if (process.env['SHOW']) console.log(_, right, all, possible);
    expect(right / all).toBeGreaterThanOrEqual(0.95);
    // Some stand alone on either side, and what was turned round is left to a hand.
    expect(right / possible).toBeGreaterThan(0.75);
  });

  it('that say something else are told apart', () => {
    const round = other.map(({ text, start, end }, i) => caption({ id: `r${String(i)}`, text, start, end }));
    for (const language of ['en', 'fr', 'de']) {
      const moved = captionsOf({ language }, chances(1));
      const { pairs } = pairCaptions(moved, round);
      expect(disagreement(tiesOf(moved, round, pairs), moved.length)).toMatch(/do not say the same/);
    }
  });

  it('of one language are paired however they are split', () => {
    const whole = sentences
      .slice(0, 4)
      .map(({ text, start, end }, i) => caption({ id: `w${String(i)}`, text, start, end }));
    const [first] = whole;
    if (!first) throw new Error('There is a first.');
    const split = [
      { ...first, id: 'a', end: 2500, text: 'Welcome to night' },
      { ...first, id: 'b', start: 2500, text: 'school, part three.' },
      ...whole.slice(1),
    ];
    const { pairs, by } = pairCaptions(split, whole);
    expect(by).toBe('words');
    expect(pairs.map((p) => [p.moved, p.giving])).toEqual([
      [
        [0, 2],
        [0, 1],
      ],
      [
        [2, 3],
        [1, 2],
      ],
      [
        [3, 4],
        [2, 3],
      ],
      [
        [4, 5],
        [3, 4],
      ],
    ]);
  });

  it('that have no times of their own are paired by what they say', () => {
    const giving = captionsOf({ language: 'en' }, chances(3));
    const moved = captionsOf({ language: 'en' }, chances(3)).map((c, i): Caption => ({
      ...c,
      start: i * 10,
      end: i * 10 + 5,
      timing: 'provisional',
    }));
    expect(pairCaptions(moved, giving).pairs.every((p, i) => p.moved[0] === i && p.giving[0] === i)).toBe(true);
  });

  it('are nothing where one has none', () => {
    expect(pairCaptions([], captionsOf({ language: 'en' }, chances(1))).pairs).toEqual([]);
  });
});

describe('ties', () => {
  const tie = (at: number, to: number, certainty = 1, byHand = false): BorrowedTie => ({
    moved: String(at),
    giving: String(to),
    at,
    to,
    certainty,
    byHand,
  });

  it('that were set by hand take the place of found ones they do not go with', () => {
    const kept = tiesThatGoTogether([tie(0, 1000), tie(5000, 6000), tie(9000, 10_000), tie(5200, 9800, 1, true)]);
    expect(kept.map((t) => t.at)).toEqual([0, 5200]);
  });

  it('that are less than a second apart are thinned, the more certain kept', () =>
    expect(tiesThatGoTogether([tie(0, 0, 0.8), tie(900, 900, 0.9), tie(2000, 2000, 0.7)]).map((t) => t.at)).toEqual([
      900, 2000,
    ]));

  it('say how far each is from the others', () =>
    expect(offFromOthers(piecesOf([tie(0, 1000), tie(10_000, 11_310), tie(20_000, 21_000)]))[1]).toBe(310));

  it('that are all over the place are said not to agree', () => {
    const wild = [0, 1, 2, 3, 4, 5].map((i) => tie(i * 10_000, i * 10_000 + (i % 2) * 4000));
    expect(disagreement(wild, 6)).toMatch(/do not agree: \d of 6/);
    expect(disagreement(wild.slice(0, 1), 6)).toMatch(/1 of 6 captions find each other/);
  });
});

describe('times one for one', () => {
  const at = (id: string, start: number, end: number): Caption => caption({ id, start, end, text: id });
  const pair = (moved: readonly [number, number], giving: readonly [number, number]): Pair => ({
    moved,
    giving,
    certainty: 1,
  });

  it('are those of the other; two that are one there share its time; what has no pair keeps between its neighbours', () => {
    const moved = [at('a', 0, 1000), at('b', 1000, 3000), at('c', 3500, 5000), at('d', 5000, 6000)];
    const giving = [at('x', 10_000, 13_600), at('y', 15_200, 16_000)];
    const pieces = [
      [0, 10_000],
      [5000, 15_200],
    ] as const;
    expect(along(pieces, 3500)).toBe(13_640);
    expect(oneForOne(moved, giving, [pair([0, 2], [0, 1]), pair([3, 4], [1, 2])], pieces)).toEqual([
      { id: 'a', start: 10_000, end: 11_200 },
      { id: 'b', start: 11_200, end: 13_600 },
      { id: 'c', start: 13_640, end: 15_200 },
      { id: 'd', start: 15_200, end: 16_000 },
    ]);
  });
});
