/** Looks through a track for findings, whole or only where an edit can have changed something. */
import type { Caption } from '../track/caption.ts';
import { isLetBe, type Finding, type Ground, type Rule, type RuleId } from './finding.ts';
import { textRules } from './text-rules.ts';
import type { HouseStyle, Severity } from './style.ts';
import { stateRules, timeRules } from './time-rules.ts';

/** Every rule, in the order Checks shows them. */
export const rules: readonly Rule[] = [...textRules, ...timeRules, ...stateRules];

export function ruleNamed(id: RuleId): Rule {
  const rule = rules.find((r) => r.id === id);
  if (!rule) throw new Error(`There is no rule ${id}.`);
  return rule;
}

/** How much a style minds a rule; those it says nothing about have to be kept by any caption. */
export function severityOf(rule: RuleId, { text, reading, time, state }: HouseStyle): Severity {
  const asked: Partial<Record<RuleId, Severity>> = {
    'line-too-long': text.lineLength.severity,
    'too-many-lines': text.lines.severity,
    'too-many-words': text.wordsInLine.severity,
    'phrase-parted': text.breaks.severity,
    lopsided: text.shape.severity,
    'one-line-enough': text.oneLineUpTo.severity,
    character: text.characters.set === 'any' ? 'off' : text.characters.severity,
    'stray-space': text.tidy.severity,
    'stray-punctuation': text.tidy.severity,
    'too-fast': reading.speed.severity,
    brisk: reading.speed.severity === 'off' ? 'off' : 'should',
    'too-many-wpm': reading.words.severity,
    'too-short': time.shortest.severity,
    'too-long': time.longest.severity,
    'gap-too-small': time.gap.severity,
    'gap-to-close': time.closeBelow.severity,
    overlap: time.overlap.severity,
    provisional: time.provisional.severity,
    early: time.sync.severity,
    late: time.sync.severity,
    'not-proofed': state.proofed.severity,
  };
  return asked[rule] ?? 'must';
}

interface Looked {
  readonly next: Caption | null;
  readonly findings: readonly Finding[];
}

/** A finder remembers what it found, so that after an edit only the captions beside it are looked at again. */
export type Finder = (captions: readonly Caption[], ground: Ground) => ReadonlyMap<string, readonly Finding[]>;

/** The findings of one caption, those that were let be left out. */
export function findingsAt(caption: Caption, next: Caption | null, ground: Ground): Finding[] {
  const place = { caption, next };
  const findings: Finding[] = [];
  for (const rule of rules)
    for (const finding of rule.look(place, ground))
      if (caption.letBe.length === 0 || !isLetBe(finding, caption, rule)) findings.push(finding);
  return findings;
}

/**
 * Makes a finder. It gives the findings of each caption that has any, by caption id, in rule order.
 * Captions are values: one that is the same object beside the same neighbour is not looked at twice.
 */
export function finder(): Finder {
  let known = new WeakMap<Caption, Looked>();
  let last: Ground | null = null;
  return (captions, ground) => {
    if (
      last?.style !== ground.style ||
      last.length !== ground.length ||
      last.rate !== ground.rate ||
      last.language !== ground.language
    )
      known = new WeakMap();
    last = ground;
    const out = new Map<string, readonly Finding[]>();
    captions.forEach((caption, i) => {
      const next = captions[i + 1] ?? null;
      let looked = known.get(caption);
      if (looked?.next !== next) {
        looked = { next, findings: findingsAt(caption, next, ground) };
        known.set(caption, looked);
      }
      if (looked.findings.length > 0) out.set(caption.id, looked.findings);
    });
    return out;
  };
}

/** The findings that have to go: those of rules the style says must be kept. */
export function mustCount(findings: ReadonlyMap<string, readonly Finding[]>): number {
  let count = 0;
  for (const list of findings.values()) for (const f of list) if (f.severity === 'must') count++;
  return count;
}

/** Whether any of a caption's findings has to go. */
export const mustGo = (findings: readonly Finding[] | undefined): boolean =>
  findings?.some((f) => f.severity === 'must') ?? false;
