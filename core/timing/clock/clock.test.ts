import { clockFor, formatClock, gapText, lengthInWords, seconds } from './clock.ts';

describe('formatClock', () => {
  it.each([
    [0, '00:00:00,000'],
    [3_723_045, '01:02:03,045'],
    [359_999_999, '99:59:59,999'],
    [360_000_000, '100:00:00,000'],
    [-5, '00:00:00,000'],
    [NaN, '00:00:00,000'],
  ])('prints %d ms as SRT writes it', (ms, text) => {
    expect(formatClock(ms, { fraction: ',', hours: 'always', digits: 3 })).toBe(text);
  });

  it('cuts the fraction off rather than name a time not yet reached', () => {
    expect(clockFor(3_600_000)(26_999)).toBe('00:00:26.99');
    expect(clockFor(3_599_999)(59_999)).toBe('00:59.99');
    expect(seconds(1999)).toBe('1.99 s');
  });

  it('tells gaps that a frame parts', () => {
    expect([0, 40, 83, -120, 999, 1000, 2345].map(gapText)).toEqual([
      '0.000 s',
      '0.040 s',
      '0.083 s',
      '-0.120 s',
      '0.999 s',
      '1.00 s',
      '2.34 s',
    ]);
  });

  it('shows hours of all times or, where a recording is shorter, of none but one past its end', () => {
    expect([0, 3_599_990].map(clockFor(3_600_000))).toEqual(['00:00:00.00', '00:59:59.99']);
    expect([0, 3_600_000].map(clockFor(1000))).toEqual(['00:00.00', '01:00:00.00']);
  });

  it.each([
    [30_000, '30 s'],
    [151_400, '2 min 31 s'],
    [3_600_000, '1 h 0 min'],
  ])('says how long %d ms are', (ms, text) => expect(lengthInWords(ms)).toBe(text));
});
