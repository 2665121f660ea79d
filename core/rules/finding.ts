/** Findings: places where a track departs from its house style. */
import type { Measures } from '../text/measures.ts';
import type { Caption } from '../model/caption.ts';
import type { HouseStyle, Severity } from '../style/style.ts';
import type { Regions, Stretch } from '../audio/regions.ts';
import type { Written } from '../languages/judged.ts';
import type { FrameRate } from '../timing/clock/frames.ts';

export type RuleId =
  | 'line-too-long'
  | 'too-many-lines'
  | 'too-many-words'
  | 'phrase-parted'
  | 'lopsided'
  | 'one-line-enough'
  | 'empty'
  | 'unclosed'
  | 'own-line'
  | 'character'
  | 'stray-space'
  | 'stray-punctuation'
  | 'doubtful-word'
  | 'doubled-word'
  | 'no-capital'
  | 'no-end-mark'
  | 'hesitation'
  | 'numeral'
  | 'sound-note'
  | 'speaker-label'
  | 'speaker-change'
  | 'too-fast'
  | 'too-many-wpm'
  | 'brisk'
  | 'too-short'
  | 'too-long'
  | 'gap-too-small'
  | 'gap-to-close'
  | 'overlap'
  | 'provisional'
  | 'early'
  | 'late'
  | 'past-the-end'
  | 'speech-without-caption'
  | 'caption-without-speech'
  | 'sound-without-note'
  | 'not-as-heard'
  | 'in-conflict'
  | 'come-back'
  | 'not-proofed';

export interface Finding {
  readonly rule: RuleId;
  readonly severity: Exclude<Severity, 'off'>;
  /** The captions it is about, the one to go to first. */
  readonly captions: readonly string[];
  /** The figure that breaks the rule and what it is held against, in the rule's own unit. */
  readonly figures: { readonly value: number; readonly limit: number };
  /** One sentence with the figures and their units. */
  readonly message: string;
}

/** What findings are looked for against. */
export interface RuleContext {
  readonly style: HouseStyle;
  readonly rate: FrameRate;
  /** BCP 47, where it is known: tells which phrases belong together. */
  readonly language?: string | null;
  /** Length of the recording in ms; null where there is none. */
  readonly length: number | null;
  /** Words the recogniser was less sure of than this are doubtful, 0 to 1; the usual where it is left out. */
  readonly doubtBelow?: number;
  /** Where speech and other sound is; null, or left out, where nobody has listened or it says nothing of these words. */
  readonly regions?: Regions | null;
  /** The part of the recording that is to be captioned: outside it nothing is held against the sound. All, where left out. */
  readonly stretch?: Stretch | null;
}

/** A caption with its neighbours in time, and measured. */
export interface CaptionInPlace {
  readonly caption: Caption;
  readonly before: Caption | null;
  readonly next: Caption | null;
  readonly measures: Measures;
  /** Which signs its text holds, as bits of `sign`. */
  readonly signs: number;
}

/** The order in which Checks shows rules. */
export const groups = ['Text', 'Words', 'Sound', 'Reading', 'Time', 'State'] as const;

/** What a rule found: the parts of a finding that are its own to tell. */
export interface Violation {
  readonly value: number;
  readonly limit: number;
  readonly message: string;
  /** It is as much about the next caption. */
  readonly withNext?: true;
  /** Where it weighs less than the rule. */
  readonly severity?: 'should';
}

export interface Rule {
  readonly id: RuleId;
  readonly group: (typeof groups)[number];
  /** As Checks names it. */
  readonly title: string;
  /** In few words, for the margin. */
  readonly short: string;
  /** The figure is the worse the less it is. */
  readonly lessIsWorse?: true;
  /** It holds times against something, though it is not of a group that does. */
  readonly ofTime?: true;
  /** What a text has to be written with, or it says nothing about this. */
  readonly needs?: readonly (keyof Written)[];
  /** How much a style minds it; where that is `off` nobody looks. */
  readonly severity: (style: HouseStyle) => Severity;
  readonly check: (at: CaptionInPlace, context: RuleContext) => Violation | null;
}

/** Whether somebody has let a finding be: for its rule, on its caption, and while its figure is no worse than it was then. */
export function isLetBe(finding: Finding, caption: Caption, rule: Pick<Rule, 'lessIsWorse'>): boolean {
  const entry = caption.letBe.find((e) => e.rule === finding.rule);
  if (!entry) return false;
  const { value } = finding.figures;
  return rule.lessIsWorse ? value >= entry.figure : value <= entry.figure;
}
