import { nearRate, parseRate, rateText, usualRates } from './frames.ts';

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

it.each([
  [29.9702, '29.97'],
  [30.0003, '30'],
  [23.9759, '23.976'],
  [25, '25'],
  [59.94, '59.94'],
])('takes pictures that come %d in a second for the usual rate', (counted, rate) => {
  const near = nearRate(counted);
  expect(near && rateText(near)).toBe(rate);
});
it('takes pictures that come unevenly for no rate', () => expect(nearRate(14.3)).toBeNull());
