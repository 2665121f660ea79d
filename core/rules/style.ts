/** House styles: the limits and conventions a client asks for. */
import { countEverything, type Counting } from '../text/measures.ts';

/** `must` counts as a finding that has to go, `should` as advice, `off` is not looked at. */
export type Severity = 'must' | 'should' | 'off';

export interface Limit {
  readonly limit: number;
  readonly severity: Severity;
}

export interface SpeedLimit extends Limit {
  /** The reading speed to aim for; above it a caption is brisk. */
  readonly target: number;
}

/** A gap in ms, or in frames at the job's rate, which is kept exactly. */
export interface GapLimit extends Limit {
  readonly unit: 'ms' | 'frames';
}

export interface HouseStyle {
  readonly schema: 1;
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly counting: Counting;
  readonly text: {
    readonly lineLength: Limit;
    readonly lines: Limit;
    /** One line up to so many characters. */ readonly oneLineUpTo: number;
  };
  /** Reading speed in characters per second. */
  readonly reading: { readonly speed: SpeedLimit };
  /** Durations in ms. */
  readonly time: {
    readonly shortest: Limit;
    readonly longest: Limit;
    readonly gap: GapLimit;
    readonly overlap: { readonly severity: Severity };
  };
}

/** Frames per second as an exact ratio. */
export interface FrameRate {
  readonly numerator: number;
  readonly denominator: number;
}

/** The smallest gap of a style in ms, exact and not rounded. */
export function smallestGap(style: HouseStyle, rate: FrameRate): number {
  const { limit, unit } = style.time.gap;
  return unit === 'ms' ? limit : (limit * 1000 * rate.denominator) / rate.numerator;
}

/** For recordings of talks and courses. Figures: common practice. */
const lecture: HouseStyle = {
  schema: 1,
  id: 'lecture-38',
  name: 'Lecture 38',
  version: 1,
  counting: countEverything,
  text: { lineLength: { limit: 38, severity: 'must' }, lines: { limit: 2, severity: 'must' }, oneLineUpTo: 38 },
  reading: { speed: { limit: 20, target: 15, severity: 'must' } },
  time: {
    shortest: { limit: 1000, severity: 'must' },
    longest: { limit: 7000, severity: 'must' },
    gap: { limit: 2, unit: 'frames', severity: 'must' },
    overlap: { severity: 'must' },
  },
};

/** For short upright video, where a line holds few words. Figures: common practice. */
const upright: HouseStyle = {
  schema: 1,
  id: 'upright-17',
  name: 'Upright 17',
  version: 1,
  counting: countEverything,
  text: { lineLength: { limit: 17, severity: 'must' }, lines: { limit: 2, severity: 'must' }, oneLineUpTo: 17 },
  reading: { speed: { limit: 25, target: 20, severity: 'must' } },
  time: {
    shortest: { limit: 600, severity: 'must' },
    longest: { limit: 5000, severity: 'must' },
    gap: { limit: 0, unit: 'ms', severity: 'should' },
    overlap: { severity: 'must' },
  },
};

/** The house styles that ship with Fenwix. */
export const shippedStyles: readonly HouseStyle[] = [lecture, upright];

export function shippedStyle(id: string): HouseStyle | null {
  return shippedStyles.find((s) => s.id === id) ?? null;
}
