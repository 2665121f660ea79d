import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { usualRates } from './frames.ts';
import { dropsFrames, frameAt, frameOfTimecode, nearestFrame, timecode, timeOfFrame } from './timecode.ts';

const ntsc = { numerator: 30000, denominator: 1001 };
const double = { numerator: 60000, denominator: 1001 };
const pal = { numerator: 25, denominator: 1 };
const film = { numerator: 24000, denominator: 1001 };

/** The timecode of a picture by its number. */
const codeOf = (frame: number, rate = ntsc): string => timecode(timeOfFrame(frame, rate), rate);

describe('drop-frame timecode, by the counting rule of SMPTE ST 12-1 and its well-known values', () => {
  it.each([
    [0, '00:00:00;00'],
    [1799, '00:00:59;29'],
    // The first two numbers of a minute are left out.
    [1800, '00:01:00;02'],
    [17981, '00:09:59;29'],
    // But not of every tenth.
    [17982, '00:10:00;00'],
    // An hour is 107,892 pictures.
    [107_892, '01:00:00;00'],
    // A day is 2,589,408.
    [2_589_408, '24:00:00;00'],
  ])('picture %d at 29.97 is %s', (frame, code) => {
    expect(codeOf(frame)).toBe(code);
    const parts = code.split(/[:;]/).map(Number) as [number, number, number, number];
    expect(frameOfTimecode(parts, ntsc)).toBe(frame);
  });

  it('leaves out four numbers at 59.94', () => {
    expect(codeOf(3599, double)).toBe('00:00:59;59');
    expect(codeOf(3600, double)).toBe('00:01:00;04');
    expect(codeOf(215_784, double)).toBe('01:00:00;00');
  });

  it('stays within two pictures of the clock for a day', () => {
    for (const hours of [1, 6, 12, 24]) {
      const [, ...rest] = /(\d+):(\d+):(\d+);(\d+)/.exec(timecode(hours * 3_600_000, ntsc)) ?? [];
      const [h = 0, m = 0, s = 0, f = 0] = rest.map(Number);
      expect(Math.abs(((h * 60 + m) * 60 + s) * 30 + f - hours * 108_000)).toBeLessThanOrEqual(3);
    }
  });

  it('knows no picture by a number that is left out, or that a second does not have', () => {
    expect(frameOfTimecode([0, 1, 0, 0], ntsc)).toBeNull();
    expect(frameOfTimecode([0, 1, 0, 1], ntsc)).toBeNull();
    expect(frameOfTimecode([0, 1, 0, 2], ntsc)).toBe(1800);
    expect(frameOfTimecode([0, 0, 0, 25], pal)).toBeNull();
    expect(frameOfTimecode([0, 60, 0, 0], pal)).toBeNull();
  });
});

describe('other rates', () => {
  it('count every number', () => {
    expect(timecode(62_480, pal)).toBe('00:01:02:12');
    expect(timecode(3_600_000, film)).toBe('00:59:56:09');
    expect([film, pal, ntsc, double].map(dropsFrames)).toEqual([false, false, true, true]);
  });
});

it('finds every picture again from its time and from its name', () => {
  fc.assert(
    fc.property(fc.constantFrom(...usualRates), fc.integer({ min: 0, max: 3_000_000 }), (rate, frame) => {
      expect(frameAt(timeOfFrame(frame, rate), rate)).toBe(frame);
      expect(nearestFrame(timeOfFrame(frame, rate) + 3, rate)).toBe(timeOfFrame(frame, rate));
      const parts = codeOf(frame, rate).split(/[:;]/).map(Number) as [number, number, number, number];
      expect(frameOfTimecode(parts, rate)).toBe(frame);
    }),
  );
});
