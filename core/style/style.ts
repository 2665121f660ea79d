/** House styles: the limits and conventions a client asks for. The shipped ones are in `shipped.ts`. */
import { measure, need, type Counting } from '../text/measures.ts';
import type { FrameRate } from '../timing/clock/frames.ts';
import type { Caption } from '../model/caption.ts';

/** `must` counts as a finding that has to go, `should` as advice, `off` is not looked at. */
export type Severity = 'must' | 'should' | 'off';

/** Something that is either as it should be or not. */
export interface RuleSetting {
  readonly severity: Severity;
}

export interface Limit extends RuleSetting {
  readonly limit: number;
}

export interface SpeedLimit extends Limit {
  /** The reading speed to aim for; above it a caption is brisk. */
  readonly target: number;
}

/** A gap in ms, or in frames at the job's rate, which is kept exactly. */
export interface GapLimit extends Limit {
  readonly unit: 'ms' | 'frames';
}

/** How two lines share a text where there is a choice. */
export type Shape = 'shorter first' | 'even' | 'fill';
/** `cea-608` is the basic set of the North American caption standard (47 CFR 79.101). */
export type CharacterSet = 'any' | 'cea-608';
export type SpeakerLabel = 'any' | 'NAME:' | 'Name:' | '[Name]';
export type SoundNote = 'any' | '[lower case]' | '[Sentence case]' | '[UPPER CASE]' | '(lower case)' | '(UPPER CASE)';

export interface HouseStyle {
  readonly schema: 3;
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly counting: Counting;
  readonly text: {
    readonly lineLength: Limit;
    readonly lines: Limit;
    /** Most words in a line. */
    readonly wordsInLine: Limit;
    /** A caption of so many characters stands on one line. */
    readonly oneLineUpTo: Limit;
    /** Sentences of more characters than this stand on lines or captions of their own. */
    readonly ownLineAbove: Limit;
    readonly shape: RuleSetting & { readonly form: Shape };
    /** Lines break where the sense does. */
    readonly breaks: RuleSetting;
    readonly characters: RuleSetting & { readonly set: CharacterSet };
    /** No stray spaces, no stray punctuation. */
    readonly tidy: RuleSetting;
    readonly speakerLabels: RuleSetting & { readonly form: SpeakerLabel };
    readonly soundNotes: RuleSetting & { readonly form: SoundNote };
    readonly hesitations: RuleSetting & { readonly are: 'kept' | 'removed' };
    readonly numerals: RuleSetting & { readonly from: number };
  };
  readonly reading: {
    /** In characters per second. */
    readonly speed: SpeedLimit;
    /** In words per minute. */
    readonly words: SpeedLimit;
  };
  /** Durations in ms. */
  readonly time: {
    readonly shortest: Limit;
    readonly longest: Limit;
    readonly gap: GapLimit;
    /** Gaps shorter than this are closed to the smallest. */
    readonly closeBelow: Limit;
    readonly overlap: RuleSetting;
    readonly provisional: RuleSetting;
    /** How long a new caption is. */
    readonly usual: number;
    /** How early or late a caption may begin against its first spoken word. */
    readonly sync: RuleSetting & { readonly early: number; readonly late: number };
    /** How long before its speech a caption begins, and after it ends, where it is put to it. */
    readonly lead: number;
    readonly linger: number;
  };
  /** What is held against the sound of the recording. */
  readonly sound: {
    /** Speech of so many ms with no caption. */
    readonly uncovered: Limit;
    /** A caption with speech under less than so many percent of it. */
    readonly unheard: Limit;
    /** Other sound of so many ms with no note. */
    readonly undescribed: Limit;
  };
  readonly state: { readonly proofed: RuleSetting };
}

/** How long a caption has to be on screen for a reading speed, and at the least, in ms. */
export function timeNeeded(caption: Caption, { counting, time }: HouseStyle, speed: number): number {
  return Math.max(need(measure(caption, counting).characters, speed), time.shortest.limit);
}

/** The smallest gap of a style in ms, exact and not rounded. */
export function smallestGap(style: HouseStyle, rate: FrameRate): number {
  const { limit, unit } = style.time.gap;
  return unit === 'ms' ? limit : (limit * 1000 * rate.denominator) / rate.numerator;
}

/** The smallest gap that keeps it, in whole ms. */
export const wholeGap = (style: HouseStyle, rate: FrameRate): number => Math.ceil(smallestGap(style, rate));
