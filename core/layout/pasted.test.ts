import fc from 'fast-check';
import { shippedStyles } from '../style/shipped.ts';
import { usualRate } from '../timing/clock/frames.ts';
import { caption } from '../model/caption.ts';
import { pasted } from './pasted.ts';
import type { Frame } from './reflow.ts';

const [style] = shippedStyles;
if (!style) throw new Error('Styles ship.');
const frame: Frame = { style, rate: usualRate, language: 'en' };
let made = 0;
const newId = (): string => `new ${String(++made)}`;
const heard = caption({
  id: 'a',
  start: 1000,
  end: 9000,
  text: 'we keep the lower grades\nshot',
  words: [
    [0, 2, 1000, 1200, 0.9, 'recogniser', 'we'],
    [3, 7, 1200, 1600, 0.9, 'recogniser', 'keep'],
    [8, 11, 1600, 1700, 0.9, 'recogniser', 'the'],
    [12, 17, 2000, 2400, 0.9, 'recogniser', 'lower'],
    [18, 24, 2400, 3000, 0.2, 'recogniser', 'grades'],
    [25, 29, 3000, 3600, 0.2, 'recogniser', 'shot'],
  ],
});

describe('pasted lines', () => {
  it('become captions of their own, where what was said there still stands', () => {
    const laid = pasted(
      ['We keep', 'the lower gates shut.'],
      { old: [heard], since: 0, until: Infinity },
      frame,
      newId,
    );
    expect(laid.map((c) => [c.text, c.start, c.timing])).toEqual([
      ['We keep', 1000, 'set'],
      ['the lower gates shut.', 1600, 'set'],
    ]);
    const words = laid[1]?.words.map((w) => [laid[1]?.text.slice(w[0], w[1]), w[2], w[5]]);
    expect(words?.slice(0, 3)).toEqual([
      ['the', 1600, 'recogniser'],
      ['lower', 2000, 'recogniser'],
      ['gates', 2400, 'guessed'],
    ]);
  });

  it('are laid out by the limits where they are long, and are provisional where nothing was heard', () => {
    const long =
      'One gate is open and the other one stays shut until the chamber is level, whatever the queue may say.';
    const laid = pasted(
      [long],
      { old: [caption({ id: 'a', start: 0, end: 2000, text: '' })], since: 0, until: 60_000 },
      frame,
      newId,
    );
    expect(laid.length).toBeGreaterThan(1);
    expect(laid.every((c) => c.timing === 'provisional')).toBe(true);
    expect(laid.flatMap((c) => c.text.split('\n')).every((line) => line.length <= 38)).toBe(true);
  });

  it('take the time before what was there, which keeps its own', () => {
    const laid = pasted(
      ['nobody waits', 'nobody waves', 'we keep the lower grades shot'],
      { old: [heard], since: 600, until: Infinity },
      frame,
      newId,
    );
    expect(laid.map((c) => [c.text.replace('\n', ' '), c.timing])).toEqual([
      ['nobody waits', 'provisional'],
      ['nobody waves', 'provisional'],
      ['we keep the lower grades shot', 'set'],
    ]);
    expect(laid[0]?.start).toBeGreaterThan(600);
    expect(laid[1]?.end).toBeLessThanOrEqual(1000);
    expect(laid[2]?.start).toBe(1000);
  });

  it('wait to be timed where no time is left before what was there', () => {
    const lines = ['nobody waits', 'nobody waves', 'we keep the lower grades shot'];
    const laid = pasted(lines, { old: [heard], since: 1000, until: 9500 }, frame, newId);
    expect(laid.map((c) => c.text.replace('\n', ' '))).toEqual(lines);
    expect(laid.map((c) => c.timing)).toEqual(['provisional', 'provisional', 'set']);
    expect(laid.at(-1)?.start).toBe(1000);
    expect(laid.at(-1)?.end).toBeLessThanOrEqual(9500);
  });

  it('wait to be timed where there is no room for them, and change nobody’s times', () => {
    const next = 3600;
    const short = { ...heard, end: next };
    const laid = pasted(
      [heard.text.replace(/\n/g, ' '), 'Part three.', 'Tonight we work'],
      { old: [short], since: 0, until: next },
      frame,
      newId,
    );
    const waiting = laid.filter((c) => c.timing === 'provisional');
    expect(waiting.map((c) => c.text)).toEqual(['Part three.', 'Tonight we work']);
    expect(waiting.every((c) => c.words.length === 0)).toBe(true);
    const timed = laid.filter((c) => c.timing === 'set');
    expect(timed.flatMap((c) => c.words.map((w) => w.slice(2, 4)))).toEqual(heard.words.map((w) => w.slice(2, 4)));
    expect(timed.at(-1)?.end).toBeLessThanOrEqual(next);
  });

  it('keep every word in order, overlap nowhere and stay before what follows', () => {
    const line = fc.array(fc.stringMatching(/^[a-z.,]{1,9}$/), { minLength: 1, maxLength: 14 }).map((w) => w.join(' '));
    fc.assert(
      fc.property(
        fc.array(fc.oneof(line, fc.constantFrom('we keep the', 'lower grades shot')), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 0, max: 1000 }),
        fc.integer({ min: 10_000, max: 60_000 }),
        (lines, since, until) => {
          const laid = pasted(lines, { old: [heard], since, until }, frame, newId);
          expect(laid.flatMap((c) => c.text.split(/\s+/)).join(' ')).toBe(lines.join(' '));
          laid.forEach((c, i) => {
            expect(c.end).toBeGreaterThan(c.start);
            const next = laid[i + 1];
            if (next) expect(next.start).toBeGreaterThan(c.start);
            if (next && next.start > c.start + 1) expect(c.end).toBeLessThanOrEqual(next.start);
          });
          expect(laid.at(-1)?.end).toBeLessThanOrEqual(until);
        },
      ),
      {
        examples: [
          [
            ['lower grades shot', 'a', '.,a, a,,,.,a a aa,a..a .aa,.,. a...a,aa a,.,. , a,a ,.a,,,,, ,.aa..,..'],
            0,
            10_000,
          ],
        ],
      },
    );
  });
});
