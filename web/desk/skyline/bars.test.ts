import type { Finding } from '../../../core/rules/finding.ts';
import { countEverything } from '../../../core/text/measures.ts';
import { caption } from '../../../core/model/caption.ts';
import { barsOf, clockTicks } from './bars.ts';

const c = (i: number, text: string) =>
  caption({ id: `c${String(i)}`, start: i * 1000, end: i * 1000 + 900, text, proofed: i < 2 });
const finding: Finding = {
  rule: 'too-fast',
  severity: 'must',
  captions: ['c1'],
  figures: { value: 1, limit: 0 },
  message: '',
};

describe('barsOf', () => {
  it('gives each caption its place when there is room', () => {
    const bars = barsOf({
      captions: [c(0, 'abc'), c(2, 'abcdef')],
      findings: new Map(),
      counting: countEverything,
      length: 10_000,
      width: 100,
    });
    expect(bars.map((b) => [b.x, Math.round(b.width), b.proofed])).toEqual([
      [0, 8, true],
      [20, 8, false],
    ]);
  });

  it('gathers by the worst where several share a pixel', () => {
    const captions = [c(0, 'a'), c(1, 'abcdefghi'), c(2, 'a')];
    const bars = barsOf({
      captions,
      findings: new Map([['c1', [finding]]]),
      counting: countEverything,
      length: 3_600_000,
      width: 1000,
    });
    expect(bars).toHaveLength(1);
    expect(bars[0]).toMatchObject({ speed: 10, alarm: true, proofed: false });
  });

  it('never draws more bars than there is room for', () => {
    const many = Array.from({ length: 5000 }, (_, i) => c(i, 'some words'));
    expect(
      barsOf({ captions: many, findings: new Map(), counting: countEverything, length: 5_000_000, width: 1200 }).length,
    ).toBeLessThanOrEqual(600);
  });
});

describe('clockTicks', () => {
  it.each([30_000, 151_000, 3_600_000, 36_000_000])('keeps labels clear of one another over %d ms', (length) => {
    const ticks = clockTicks(length, 1200);
    expect(ticks.length).toBeGreaterThan(1);
    expect(ticks.length).toBeLessThanOrEqual(10);
  });
});
