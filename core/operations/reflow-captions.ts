/** Captions reflowed under a house style: their lines broken again, or their words redistributed between captions. */
import { pushAll } from '../text/push-all.ts';
import { reflow } from '../layout/reflow.ts';
import type { Caption } from '../model/caption.ts';
import type { Edit } from '../model/edits.ts';
import { countTokens } from '../model/ranges.ts';
import type { RuleContext, RuleId } from '../rules/finding.ts';
import { findingsAt } from '../rules/findings.ts';
import { brokenAgain } from '../rules/repairs/text.ts';

/** What is reflowed. */
export interface ReflowRequest {
  /** `lines`: each caption keeps its words and its time; `captions`: words go where they read best. */
  readonly what: 'lines' | 'captions';
  /** Those too that meet the style as they are. */
  readonly every?: boolean;
  /** Only those that have times: text without a place of its own is not mixed into what has one. */
  readonly timed?: boolean;
  /** Captions from this place on; from the first where it is left out. */
  readonly from?: number;
  /** Up to this place, not counted in; to the last where it is left out. */
  readonly to?: number;
}

/** What reflow can repair. */
const repairable: Readonly<Record<ReflowRequest['what'], ReadonlySet<RuleId>>> = {
  lines: new Set<RuleId>([
    'line-too-long',
    'too-many-lines',
    'too-many-words',
    'phrase-parted',
    'one-line-enough',
    'own-line',
    'lopsided',
  ]),
  captions: new Set<RuleId>([
    'line-too-long',
    'too-many-lines',
    'too-many-words',
    'phrase-parted',
    'one-line-enough',
    'too-fast',
    'too-many-wpm',
    'too-short',
    'too-long',
  ]),
};

/** Captions that became others, with the same words. */
export interface Run {
  readonly before: readonly Caption[];
  readonly after: readonly Caption[];
}

export interface ReflowResult {
  readonly captions: readonly Caption[];
  /** What became of what, in order; captions that stay as they are are in none. */
  readonly runs: readonly Run[];
  /** All of it as one step; null where nothing has to change. */
  readonly edit: Edit | null;
}

/** Reflows captions. Those with something let be stay as they are. */
export function reflowCaptions(
  captions: readonly Caption[],
  context: RuleContext,
  newId: () => string,
  asked: ReflowRequest,
): ReflowResult {
  const { what, every = false, timed = false, from = 0, to = captions.length } = asked;
  // Whole captions are given up only for what has to go; lines are cheap to break again.
  const departs = (c: Caption, i: number): boolean =>
    i >= from &&
    i < to &&
    c.letBe.length === 0 &&
    !(timed && c.timing === 'provisional') &&
    (every ||
      findingsAt(captions, i, context).some(
        (f) => repairable[what].has(f.rule) && (what === 'lines' || f.severity === 'must'),
      ));
  const out: Caption[] = [];
  const runs: Run[] = [];
  for (let i = 0; i < captions.length;) {
    const here = captions[i];
    if (!here) break;
    if (!departs(here, i)) {
      out.push(here);
      i++;
      continue;
    }
    let end = i + 1;
    for (let c = captions[end]; c && departs(c, end); c = captions[end]) end++;
    const before = captions.slice(i, end);
    const laid =
      what === 'lines'
        ? before.map((c) => brokenAgain(c, context))
        : inside(reflow(before, context, newId), before, captions[end] ?? null, context);
    for (const run of inRuns(before, laid)) {
      if (isSame(run)) pushAll(out, run.before);
      else {
        runs.push(run);
        pushAll(out, run.after);
      }
    }
    i = end;
  }
  const removed = runs.flatMap((run) => run.before.map((c) => c.id));
  const added = runs.flatMap((run) => run.after);
  return { captions: out, runs, edit: runs.length === 0 ? null : { type: 'replace', removed, captions: added } };
}

/** The last caption of a run leaves the next one its place. */
function inside(
  laid: readonly Caption[],
  run: readonly Caption[],
  next: Caption | null,
  context: RuleContext,
): Caption[] {
  const most = Math.min(next?.start ?? Infinity, context.length ?? Infinity);
  return laid.map((c, i) =>
    i === laid.length - 1
      ? { ...c, end: Math.max(c.start + 1, Math.min(Math.max(c.end, run.at(-1)?.end ?? 0), most)) }
      : c,
  );
}

/** Pairs captions with what became of them: a run ends wherever both end after the same word. */
function inRuns(before: readonly Caption[], after: readonly Caption[]): Run[] {
  const runs: Run[] = [];
  let [b, a, firstB, firstA, wordsB, wordsA] = [0, 0, 0, 0, 0, 0];
  while (b < before.length || a < after.length) {
    const nextB = before[b];
    const nextA = after[a];
    if (nextB && (wordsB <= wordsA || !nextA)) {
      wordsB += countTokens(nextB.text);
      b++;
    } else if (nextA) {
      wordsA += countTokens(nextA.text);
      a++;
    }
    // Captions without a word stand with those before them.
    const isLast = b === before.length && a === after.length;
    if (isLast || (wordsB === wordsA && a > firstA && hasWord(before[b]))) {
      runs.push({ before: before.slice(firstB, b), after: after.slice(firstA, a) });
      [firstB, firstA] = [b, a];
    }
  }
  return runs;
}
const hasWord = (of: Caption | undefined): boolean => of !== undefined && /\S/.test(of.text);

/** Whether nothing a viewer would see became different. */
function isSame({ before, after }: Run): boolean {
  const [was] = before;
  const [is] = after;
  if (before.length !== 1 || after.length !== 1 || !was || !is) return false;
  return was.text === is.text && was.start === is.start && was.end === is.end;
}
