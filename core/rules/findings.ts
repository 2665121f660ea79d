/** Looks through a track for findings, whole or only where an edit can have changed something. */
import type { Caption } from '../track/caption.ts';
import { isLetBe, type Finding, type Ground, type Rule, type RuleId } from './finding.ts';
import { textRules } from './text-rules.ts';
import { stateRules, timeRules } from './time-rules.ts';

/** Every rule, in the order Checks shows them. */
export const rules: readonly Rule[] = [...textRules, ...timeRules, ...stateRules];

export function ruleNamed(id: RuleId): Rule {
  const rule = rules.find((r) => r.id === id);
  if (!rule) throw new Error(`There is no rule ${id}.`);
  return rule;
}

interface Looked {
  readonly next: Caption | null;
  readonly findings: readonly Finding[];
}

/** A finder remembers what it found, so that after an edit only the captions beside it are looked at again. */
export type Finder = (captions: readonly Caption[], ground: Ground) => ReadonlyMap<string, readonly Finding[]>;

/** The findings of one caption, those that were let be left out. */
export function findingsAt(caption: Caption, next: Caption | null, ground: Ground): Finding[] {
  return rules.flatMap((rule) => {
    const found = rule.look({ caption, next }, ground);
    return found.length === 0 || caption.letBe.length === 0 ? found : found.filter((f) => !isLetBe(f, caption, rule));
  });
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
