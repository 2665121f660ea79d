/** Frame rates: frames per second as exact ratios. */

export interface FrameRate {
  readonly numerator: number;
  readonly denominator: number;
}

/** Where nothing tells the rate of the pictures. */
export const usualRate: FrameRate = { numerator: 25, denominator: 1 };

/** Rates in use; those of 1001 are written short as 23.976, 29.97 and 59.94. */
export const usualRates: readonly FrameRate[] = [
  { numerator: 24000, denominator: 1001 },
  { numerator: 24, denominator: 1 },
  usualRate,
  { numerator: 30000, denominator: 1001 },
  { numerator: 30, denominator: 1 },
  { numerator: 50, denominator: 1 },
  { numerator: 60000, denominator: 1001 },
  { numerator: 60, denominator: 1 },
];

/** `25`, `29.97`: a rate as people say it. */
export const rateText = ({ numerator, denominator }: FrameRate): string =>
  String(Math.round((numerator / denominator) * 1000) / 1000);

/** A rate from `25`, `29.97` or `30000/1001`; null where it is none. */
export function parseRate(text: string): FrameRate | null {
  const ratio = /^(\d{1,6})(?:\/(\d{1,6}))?$/.exec(text.trim());
  if (ratio) {
    const [numerator, denominator] = [Number(ratio[1]), Number(ratio[2] ?? '1')];
    return numerator > 0 && denominator > 0 ? { numerator, denominator } : null;
  }
  if (!/^\d{2}\.\d{1,3}$/.test(text.trim())) return null;
  const said = Number(text);
  return usualRates.find((r) => Math.abs(r.numerator / r.denominator - said) < 0.005) ?? null;
}

/** Two rates are told apart by less than this share: 29.97 and 30 are a thousandth apart. */
const near = 0.0004;
/** The usual rate that pictures come at; null where they come at no usual one. @param perSecond as it was counted */
export const nearRate = (perSecond: number): FrameRate | null =>
  usualRates.find(({ numerator, denominator }) => Math.abs(perSecond / (numerator / denominator) - 1) < near) ?? null;
