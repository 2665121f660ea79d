/**
 * Repairs of findings. A repair never makes another must-finding and never worsens one; what was let be
 * stays as it is. Repairing many runs until nothing more can be repaired, and says what it did and what
 * it could not.
 */
import { seconds } from '../../timing/clock/clock.ts';
import type { Caption } from '../../model/caption.ts';
import type { Edit } from '../../model/edits.ts';
import type { Finding, RuleContext, RuleId } from '../finding.ts';
import { timeNeeded } from '../../style/style.ts';
import { editOfRepair, isRepair, rememberedFindings, type Candidate } from './candidate.ts';
import { cursorOver, type Cursor } from './cursor.ts';
import {
  capitalise,
  dropDoubled,
  dropHesitations,
  labelTurns,
  rewriteLabels,
  rewriteNotes,
  rewriteNumbers,
} from './wording.ts';
import { breakAgain, join, plainCharacters, reflowNear, remove, share, tidySpaces } from './text.ts';
import {
  borrowTime,
  clipToEnd,
  closeGap,
  giveWords,
  lengthen,
  openGap,
  roomAround,
  shorten,
  startWithSpeech,
} from './time.ts';

type Try = (captions: readonly Caption[], i: number, context: RuleContext, newId: () => string) => Iterable<Candidate>;

/** What repairs a rule, in the order it is tried; or what a person does about it. */
type Remedy = { readonly ways: readonly [Try, ...Try[]] } | { readonly byHand: string };

/** What is done about each rule. */
const remedies: Readonly<Record<RuleId, Remedy>> = {
  'line-too-long': { ways: [breakAgain, share, reflowNear] },
  'too-many-lines': { ways: [breakAgain, share, reflowNear] },
  'too-many-words': { ways: [breakAgain, share, reflowNear] },
  'phrase-parted': { ways: [breakAgain] },
  'own-line': { ways: [breakAgain, share] },
  lopsided: { ways: [breakAgain] },
  'one-line-enough': { ways: [breakAgain] },
  empty: { ways: [remove] },
  'stray-space': { ways: [tidySpaces] },
  character: { ways: [plainCharacters] },
  'doubled-word': { ways: [dropDoubled] },
  'no-capital': { ways: [capitalise] },
  hesitation: { ways: [dropHesitations] },
  numeral: { ways: [rewriteNumbers] },
  'sound-note': { ways: [rewriteNotes] },
  'speaker-label': { ways: [rewriteLabels] },
  'speaker-change': { ways: [labelTurns] },
  // Words that are given away take the time they were said in along, so that helps nobody who speaks fast.
  'too-fast': { ways: [lengthen, borrowTime, join] },
  'too-many-wpm': { ways: [lengthen, join] },
  brisk: { ways: [lengthen] },
  'too-short': { ways: [lengthen, borrowTime, join, giveWords] },
  'too-long': { ways: [shorten, share] },
  'gap-too-small': { ways: [openGap] },
  'gap-to-close': { ways: [closeGap] },
  overlap: { ways: [openGap] },
  early: { ways: [startWithSpeech] },
  late: { ways: [startWithSpeech] },
  'past-the-end': { ways: [clipToEnd] },
  'stray-punctuation': { byHand: 'Only a person can say where the mark belongs.' },
  'not-as-heard': { byHand: 'Listen to it, then correct or proof it.' },
  'doubtful-word': { byHand: 'Listen to it, then correct or proof it.' },
  'no-end-mark': { byHand: 'Only a person can say whether a sentence ends there.' },
  unclosed: { byHand: 'Only a person can say where it should close.' },
  provisional: { byHand: 'Have it listened for, mark it while it plays, or borrow times from another track.' },
  'come-back': { byHand: 'Do what it was left for, then say that it is done.' },
  'in-conflict': { byHand: 'Choose one of the versions in the monitor.' },
  'not-proofed': { byHand: 'Listen to it first.' },
  'speech-without-caption': { byHand: 'Listen to it, then write what is said.' },
  'caption-without-speech': {
    byHand: 'Listen to it, then move the caption to where its words are said, or delete it.',
  },
  'sound-without-note': { byHand: 'Listen to it, then write what a viewer has to know of it.' },
};

const waysOf = (rule: RuleId): readonly Try[] => {
  const remedy = remedies[rule];
  return 'ways' in remedy ? remedy.ways : [];
};

/** Repairs that take words out of what was said: made one by one or for their kind, never along with everything. */
const onlyAsked: ReadonlySet<RuleId> = new Set(['doubled-word']);

/** A repair that can be made. */
export interface Repair extends Candidate {
  readonly edit: Edit;
}

export type Proposal =
  { readonly repair: Repair; readonly why: null } | { readonly repair: null; readonly why: string };

/** Why nothing helped, with the figures that stand in the way. */
function reason(captions: readonly Caption[], i: number, finding: Finding, context: RuleContext): string {
  const here = captions[i];
  const remedy = remedies[finding.rule];
  if ('byHand' in remedy) return remedy.byHand;
  if (!here) return 'The caption is gone.';
  if (finding.rule === 'too-fast' || finding.rule === 'brisk' || finding.rule === 'too-short') {
    const figure = finding.rule === 'brisk' ? context.style.reading.speed.target : context.style.reading.speed.limit;
    const wanted = timeNeeded(here, context.style, figure);
    const { after, before } = roomAround(captions, i, context);
    const room =
      after + before > 0
        ? `there is room for ${after > 0 ? seconds(after) : 'nothing'} after it and ${before > 0 ? seconds(before) : 'nothing'} before it`
        : 'there is no room after it or before it';
    return `Needs ${seconds(wanted - (here.end - here.start))} more; ${room}, and its neighbours are full.`;
  }
  if (finding.rule === 'line-too-long' || finding.rule === 'too-many-lines' || finding.rule === 'too-many-words')
    return 'No line break fits, and neither alone nor with its neighbours is there time to split it.';
  return 'Every possible repair would break another rule.';
}

/**
 * The repair of one finding of the caption at an index, or why there is none.
 * @param findingsOf the findings of captions as they are, where they were looked for before
 */
export function repairOf(
  captions: readonly Caption[],
  i: number,
  finding: Finding,
  context: RuleContext,
  newId: () => string,
  findingsOf = rememberedFindings(context),
): Proposal {
  for (const way of waysOf(finding.rule)) {
    for (const change of way(captions, i, context, newId)) {
      if (!isRepair(captions, change, finding.rule, context, findingsOf)) continue;
      const edit = editOfRepair(captions.slice(change.from, change.to), change.after);
      return { repair: { ...change, edit }, why: null };
    }
  }
  return { repair: null, why: reason(captions, i, finding, context) };
}

/** One thing repairing did, or could not do. */
export interface Done {
  readonly caption: string;
  /** In ms, for finding the place again. */
  readonly start: number;
  readonly rule: RuleId;
  readonly says: string;
}

export interface Repaired {
  /** The captions after it. */
  readonly captions: readonly Caption[];
  /** All of it as one step; null where nothing could be done. */
  readonly edit: Edit | null;
  readonly done: readonly Done[];
  readonly left: readonly Done[];
}

/** Rounds after which going on helps nobody. */
const mostRounds = 8;
/** A caption with more text than this, in characters, has not been laid out yet: every way to repair it goes through all of it. */
const longestRepaired = 10_000;
/** Where a rule could not be repaired for so many captions in a row, the next will not come out well either. */
const mostInVain = 400;

/** What is not tried, and why. It counts what was tried in vain, and no time. */
function patience(): {
  readonly whyNot: (caption: Caption, rule: RuleId) => string | null;
  readonly tried: (rule: RuleId, isDone: boolean) => void;
} {
  const inVain = new Map<RuleId, number>();
  return {
    whyNot(caption, rule) {
      if (caption.text.length > longestRepaired && rule !== 'empty')
        return `Not tried: its text of ${String(caption.text.length)} characters is too long to be repaired in place. Reflow it first.`;
      return (inVain.get(rule) ?? 0) < mostInVain
        ? null
        : `Not tried: the same could not be repaired for ${String(mostInVain)} captions in a row before it.`;
    },
    tried: (rule, isDone) => void inVain.set(rule, isDone ? 0 : (inVain.get(rule) ?? 0) + 1),
  };
}

/**
 * Repairs every finding of the rules asked for, from the first caption to the last, again and again
 * until nothing more can be repaired.
 * @param wanted which rules; where it is left out all but those whose repair takes words out
 */
export function repairAll(
  captions: readonly Caption[],
  context: RuleContext,
  newId: () => string,
  wanted: (finding: Finding) => boolean = (f) => !onlyAsked.has(f.rule),
): Repaired {
  const findingsOf = rememberedFindings(context);
  const { whyNot, tried } = patience();
  const done: Done[] = [];
  let left: Done[] = [];
  /** Captions whose surroundings changed since they were last looked at; everything in the first round. */
  let open: Set<string> | null = null;
  let now: readonly Caption[] = captions;
  /** The repair of the caption at the cursor that can be made; what cannot goes to `stuck`. */
  function repairHere(cursor: Cursor, stuck: Done[]): Repair | null {
    const { row, at } = cursor.around();
    const caption = row[at];
    for (const finding of caption ? findingsOf(row, at).filter(wanted) : []) {
      if (!caption) continue;
      const about = { caption: caption.id, start: caption.start, rule: finding.rule };
      const hasWay = waysOf(finding.rule).length > 0;
      const untried = hasWay ? whyNot(caption, finding.rule) : null;
      if (untried !== null) {
        stuck.push({ ...about, says: untried });
        continue;
      }
      const { repair, why } = repairOf(row, at, finding, context, newId, findingsOf);
      if (hasWay) tried(finding.rule, repair !== null);
      if (repair) {
        done.push({ ...about, says: repair.says });
        return repair;
      }
      stuck.push({ ...about, says: why });
    }
    return null;
  }
  for (let round = 0; round < mostRounds; round++) {
    const touched = new Set<string>();
    const stuck: Done[] = open === null ? [] : left.filter((l) => !open?.has(l.caption));
    let changed = false;
    const cursor = cursorOver(now);
    for (let here = cursor.here(); here; here = cursor.here()) {
      // Nothing may go round and round.
      const isOver = done.length > captions.length * 6 + 20;
      const repair = isOver || (open !== null && !open.has(here.id)) ? null : repairHere(cursor, stuck);
      if (!repair) {
        cursor.next();
        continue;
      }
      for (const c of cursor.replace(repair)) touched.add(c.id);
      changed = true;
    }
    now = cursor.all();
    left = stuck;
    if (!changed) break;
    open = touched;
  }
  const ids = new Set(now.map((c) => c.id));
  left = left.filter((l) => ids.has(l.caption));
  const same = new Set(captions);
  const kept = new Set(now.filter((c) => same.has(c)));
  const removed = captions.filter((c) => !kept.has(c));
  const added = now.filter((c) => !kept.has(c));
  return { captions: now, edit: done.length === 0 ? null : editOfRepair(removed, added), done, left: lastOnly(left) };
}

/** What is left of a caption and rule, once. */
function lastOnly(left: readonly Done[]): Done[] {
  const known = new Map(left.map((l) => [`${l.caption} ${l.rule}`, l]));
  return [...known.values()];
}
