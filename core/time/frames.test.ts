import { parseRate, rateText, usualRates } from './frames.ts';

describe('frame rates', () => {
  it.each([
    ['25', 25, 1],
    ['29.97', 30000, 1001],
    ['23.976', 24000, 1001],
    ['23.98', 24000, 1001],
    ['30000/1001', 30000, 1001],
  ])('%s', (text, numerator, denominator) => expect(parseRate(text)).toEqual({ numerator, denominator }));

  it.each(['', '0', '25/0', 'film', '-25', '12.5', '1e3'])('are not read from %j', (text) =>
    expect(parseRate(text)).toBeNull(),
  );

  it('are said short and read again as they were', () => {
    for (const rate of usualRates) expect(parseRate(rateText(rate))).toEqual(rate);
  });
});
