/** Looks captions over for findings. */
import { measure } from '../text/measures.ts';
import { sign, signsOf } from '../text/signs.ts';
import type { Caption } from '../model/caption.ts';
import { conventionRules } from './convention-rules.ts';
import { isLetBe, type Finding, type RuleContext, type Rule, type RuleId } from './finding.ts';
import { textRules } from './text-rules.ts';
import type { HouseStyle, Severity } from '../style/style.ts';
import { soundRules } from './sound-rules.ts';
import { conflictRule, stateRules, timeRules } from './time-rules.ts';
import { wordRules } from './word-rules.ts';

/** Every rule, in the order Checks shows them. */
export const rules: readonly Rule[] = [
  conflictRule,
  ...textRules,
  ...wordRules,
  ...conventionRules,
  ...soundRules,
  ...timeRules,
  ...stateRules,
];
const byId: ReadonlyMap<string, Rule> = new Map(rules.map((rule) => [rule.id, rule]));

/**
 * The rule with this id.
 * @throws {Error} where there is none
 */
export function ruleNamed(id: RuleId): Rule {
  const rule = byId.get(id);
  if (!rule) throw new Error(`There is no rule ${id}.`);
  return rule;
}

/** How a rule is called; its id where this Fenwix does not know it. */
export const ruleTitle = (id: string): string => byId.get(id)?.title ?? id;

/** A rule a style minds, and how much. */
interface ActiveRule {
  readonly rule: Rule;
  readonly severity: Exclude<Severity, 'off'>;
  /** Whether it holds times against something, which a caption that is not timed has none of. */
  readonly ofTime: boolean;
}

const asked = new WeakMap<HouseStyle, readonly ActiveRule[]>();

/** The rules a style minds, in order. */
export function activeRules(style: HouseStyle): readonly ActiveRule[] {
  const known = asked.get(style);
  if (known) return known;
  const found = rules.flatMap((rule): ActiveRule[] => {
    const severity = rule.severity(style);
    const ofTime =
      (rule.group === 'Time' || rule.group === 'Reading' || rule.ofTime === true) && rule.id !== 'provisional';
    return severity === 'off' ? [] : [{ rule, severity, ofTime }];
  });
  asked.set(style, found);
  return found;
}

/** Raised whenever a rule finds otherwise than before, so that counts that were kept are made again. */
export const rulesVersion = 7;

/** What every caption without findings shares. */
export const noFindings: readonly Finding[] = [];

const timedOrNull = (of: Caption | null): Caption | null => (of?.timing === 'set' ? of : null);

/** The findings of the caption at a place, those that were let be left out. */
export function findingsAt(captions: readonly Caption[], i: number, context: RuleContext): readonly Finding[] {
  const caption = captions[i];
  if (!caption) return noFindings;
  const before = i > 0 ? (captions[i - 1] ?? null) : null;
  const next = i + 1 < captions.length ? (captions[i + 1] ?? null) : null;
  const signs = signsOf(caption.text);
  const measures = measure(caption, context.style.counting, (signs & sign.combining) === 0);
  const place = { caption, before, next, measures, signs };
  // Captions that are not timed have no times to be held against, and none that others could be held against.
  const isTimed = caption.timing === 'set';
  const inTime =
    before?.timing === 'provisional' || next?.timing === 'provisional'
      ? { ...place, before: timedOrNull(before), next: timedOrNull(next) }
      : place;
  let findings: Finding[] | null = null;
  for (const { rule, severity, ofTime } of activeRules(context.style)) {
    if (ofTime && !isTimed) continue;
    const departure = rule.check(ofTime ? inTime : place, context);
    if (departure === null) continue;
    const finding: Finding = {
      rule: rule.id,
      severity: departure.severity ?? severity,
      captions: departure.withNext && next ? [caption.id, next.id] : [caption.id],
      figures: { value: departure.value, limit: departure.limit },
      message: departure.message,
    };
    if (caption.letBe.length === 0 || !isLetBe(finding, caption, rule)) (findings ??= []).push(finding);
  }
  return findings ?? noFindings;
}

/** How many of a caption's findings have to go: those of rules the style says must be kept. */
export function mustOf(findings: readonly Finding[]): number {
  let count = 0;
  for (const f of findings) if (f.severity === 'must') count++;
  return count;
}

/** Whether any of a caption's findings has to go. */
export const mustGo = (findings: readonly Finding[] | undefined): boolean =>
  findings?.some((f) => f.severity === 'must') ?? false;
