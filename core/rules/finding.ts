/** Findings: places where a track departs from its house style. */
import type { Caption } from '../track/caption.ts';
import type { FrameRate, HouseStyle, Severity } from './style.ts';

export type RuleId =
  | 'line-too-long'
  | 'too-many-lines'
  | 'too-fast'
  | 'brisk'
  | 'too-short'
  | 'too-long'
  | 'gap-too-small'
  | 'overlap'
  | 'empty'
  | 'past-the-end';

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
export interface Ground {
  readonly style: HouseStyle;
  readonly rate: FrameRate;
  /** Length of the recording in ms; null where there is none. */
  readonly length: number | null;
}

/** A caption with its neighbours in time. */
export interface InPlace {
  readonly caption: Caption;
  readonly next: Caption | null;
}

export interface Rule {
  readonly id: RuleId;
  readonly group: 'Text' | 'Reading' | 'Time';
  /** As Checks names it. */
  readonly title: string;
  /** In few words, for the margin. */
  readonly short: string;
  readonly look: (at: InPlace, ground: Ground) => readonly Finding[];
}

/** A finding of one rule; nothing when the rule is off. */
export function found(
  rule: RuleId,
  severity: Severity,
  captions: readonly string[],
  value: number,
  limit: number,
  message: string,
): readonly Finding[] {
  return severity === 'off' ? [] : [{ rule, severity, captions, figures: { value, limit }, message }];
}
