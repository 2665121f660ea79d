import fc from 'fast-check';
import { usualRates, type FrameRate } from '../clock/frames.ts';
import { nearestFrame } from '../clock/timecode.ts';
import { caption, type Caption } from '../../model/caption.ts';
import { along, type Piece } from '../../model/pieces.ts';
import { orderedTies, rateChange, rateMistake, residuals, scaleBy, shiftBy } from './line.ts';
import { hourCountedFrom } from './hour.ts';
import { halfwayPlace, placesToTie } from './by-ear.ts';
import { segmentsWithout } from './cuts.ts';
import { followed } from './follow.ts';
import { retimed, snapped } from './retimed.ts';

/** The same by whole numbers without end, rounded half up: what exact means. */
function exactly(ms: number, from: FrameRate, to: FrameRate): number {
  const over = BigInt(ms) * BigInt(from.numerator) * BigInt(to.denominator);
  const under = BigInt(from.denominator) * BigInt(to.numerator);
  return Number((2n * over + under) / (2n * under));
}
const rates = fc.constantFrom(...usualRates);

describe('a frame rate taken for another', () => {
  it('is put right as whole numbers have it, for a day', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 86_400_000 }), rates, rates, (ms, from, to) => {
        expect(along(rateChange(from, to), ms)).toBe(exactly(ms, from, to));
      }),
    ));
  it('comes back to where it was, but for a rounding', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 86_400_000 }), rates, rates, (ms, from, to) => {
        expect(Math.abs(along(rateChange(to, from), along(rateChange(from, to), ms)) - ms)).toBeLessThanOrEqual(3);
      }),
    ));
  it('of 25 for 24000/1001 makes an hour 2 min 33.75 s longer', () =>
    expect(
      along(rateChange({ numerator: 25, denominator: 1 }, { numerator: 24000, denominator: 1001 }), 3_600_000),
    ).toBe(3_753_750));
});

describe('ties', () => {
  const tie = (at: number, to: number): Piece => [at, to];
  it.each([
    [[tie(5000, 9000), tie(9000, 5000)], /00:05\.000 = 00:09\.000 and 00:09\.000 = 00:05\.000 cross/],
    [[tie(5000, 9000), tie(5000, 12_000)], /one moment in two places/],
    [[tie(5000, 9000), tie(5900, 12_000)], /less than a second apart/],
  ])('that do not go together are named', (ties, fault) => {
    expect(orderedTies(ties)).toMatchObject({ fault: expect.stringMatching(fault) as string, pair: ties });
  });
  it('say how far each is from one line', () => {
    expect(residuals([tie(0, 100), tie(10_000, 10_110), tie(20_000, 20_120)])).toEqual([0, 0, 0]);
    const [, off = 0] = residuals([tie(0, 0), tie(10_000, 10_300), tie(20_000, 20_000)]);
    expect(off).toBe(200);
  });
});

describe('the frame rate that was taken for another', () => {
  it('is told by two ties an hour apart, whichever two of the usual ones they are', () => {
    for (const from of usualRates)
      for (const to of usualRates) {
        const line = rateChange(from, to);
        const ties: Piece[] = [60_000, 3_600_000].map((at) => [at, along(line, at) + 400]);
        const found = rateMistake(ties);
        if (from === to) expect(found).toBeNull();
        // Others may look the same: what is found moves times as they were moved.
        else expect(found && along(rateChange(found.from, found.to), 3_600_000)).toBe(along(line, 3_600_000));
      }
  });
  it('is not made up where ties are like no such mistake', () => {
    expect(
      rateMistake([
        [0, 0],
        [3_600_000, 3_800_000],
      ]),
    ).toBeNull();
    expect(rateMistake([[1000, 9000]])).toBeNull();
  });
});

describe('captions', () => {
  const wait = {
    ...caption({ id: 'a', start: 1000, end: 4000, text: 'wait for the bell.' }),
    words: [
      [0, 4, 1000, 1500, 0.9, 'heard'],
      [5, 8, 1500, 1800, 0.9, 'heard'],
      [9, 12, 1800, 2000, 0.9, 'heard'],
      [13, 17, 3500, 4000, 0.9, 'heard'],
    ] as never,
  };
  it('take their words along, begin at 0 at the earliest, and are told where nothing of them is left', () => {
    const { captions, before } = retimed([wait], shiftBy(-1200));
    expect(before).toEqual([]);
    expect(captions[0]).toMatchObject({ start: 0, end: 2800 });
    expect(captions[0]?.words.map((w) => w[2])).toEqual([0, 300, 600, 2300]);
    expect(retimed([wait], shiftBy(-4000))).toEqual({ captions: [], before: [wait] });
    expect(retimed([wait], scaleBy(1000, 1)).captions[0]).toMatchObject({ start: 1, end: 4 });
  });
  it('keep the words said outside a cut, and go where nothing is left of them', () => {
    const cutOut = (captions: readonly Caption[], from: number, to: number): readonly Caption[] =>
      followed(captions, segmentsWithout([{ start: from, end: to }]), () => 'new').captions;
    expect(cutOut([wait], 3000, 5000)[0]).toMatchObject({ text: 'wait for the', start: 1000, end: 3000 });
    expect(cutOut([wait], 0, 1700)[0]).toMatchObject({ text: 'the bell.', start: 0, end: 2300 });
    expect(cutOut([wait], 500, 4500)).toEqual([]);
    expect(cutOut([wait], 5000, 6000)).toEqual([wait]);
    expect(cutOut([{ ...wait, start: 9000, end: 9900, words: [] }], 5000, 6000)[0]).toMatchObject({ start: 8000 });
  });
  it('begin and end at pictures, and have one at the least', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9e6 }), fc.integer({ min: 1, max: 9000 }), rates, (start, long, rate) => {
        const [c] = snapped([caption({ id: 'a', start, end: start + long, text: 'x' })], rate);
        expect(c && nearestFrame(c.start, rate)).toBe(c?.start);
        expect(c && nearestFrame(c.end, rate)).toBe(c?.end);
        expect((c?.end ?? 0) - (c?.start ?? 0)).toBeGreaterThan(0);
      }),
    ));
});

describe('halfway', () => {
  const captions = Array.from({ length: 64 }, (_, i) =>
    caption({ id: String(i), start: i * 10_000, end: i * 10_000 + 2000, text: 'Words.' }),
  );
  it('four places find where a drift begins, between two captions of 64', () => {
    // From caption 37 on a scene is missing.
    const trueTie = (c: Caption): Piece => [c.start, c.start - (c.start >= 370_000 ? 12_000 : 0)];
    let ties = placesToTie(captions, 5).map(trueTie);
    for (let looked = 0; looked < 4; looked++) {
      const next = halfwayPlace(captions, ties);
      if (!next) break;
      ties = [...ties, trueTie(next)].sort((a, b) => a[0] - b[0]);
    }
    const before = ties.filter(([at, to]) => at === to).at(-1)?.[0] ?? NaN;
    const after = ties.find(([at, to]) => at !== to)?.[0] ?? NaN;
    expect([before, after]).toEqual([360_000, 370_000]);
  });
  it('is nowhere where ties agree, or nothing lies between them', () => {
    expect(
      halfwayPlace(captions, [
        [0, 100],
        [300_000, 300_100],
        [600_000, 600_200],
      ]),
    ).toBeNull();
    expect(
      halfwayPlace(captions, [
        [0, 0],
        [10_000, 14_000],
      ]),
    ).toBeNull();
  });
});

describe('a whole hour that a file counts from', () => {
  const from = (start: number) => [caption({ id: 'a', start, end: start + 2000, text: 'Wait.' })];
  it.each([
    [3_600_500, 147_000, 3_600_000],
    [36_002_000, null, 36_000_000],
    [500, 147_000, null],
    [7_300_000, 147_000, null],
    // The recording is that long.
    [3_600_500, 5_400_000, null],
  ])('first caption at %d ms of %s ms: %s', (start, length, expected) =>
    expect(hourCountedFrom(from(start), length)).toBe(expected),
  );
});

describe('captions to be tied by ear', () => {
  const row = (texts: readonly string[]) =>
    texts.map((text, i) => caption({ id: String(i), start: i * 10_000, end: i * 10_000 + 2000, text }));
  it('are spread over the track, the first and the last said ones among them', () => {
    const texts = ['[horn]', ...Array.from({ length: 99 }, () => 'wait here'), '[water]'];
    expect(placesToTie(row(texts), 5).map((c) => c.id)).toEqual(['1', '25', '50', '74', '99']);
  });
  it('are all of them where there are few, and none that has no time', () => {
    const [a, b] = row(['one', 'two']);
    expect(placesToTie(a && b ? [a, { ...b, timing: 'provisional' }] : [], 5)).toEqual([a]);
  });
});
