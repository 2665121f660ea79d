/** Repairs of wording, and of what is not written as a style wants it. */
import { isSpaceUnit } from '../../text/tokens.ts';
import { hesitationsIn } from '../../languages/hesitations.ts';
import { doubledWords, lowerAfterEnd } from '../../text/wording.ts';
import type { Caption } from '../../model/caption.ts';
import { spliceText } from '../../model/ranges.ts';
import {
  labelText,
  misformedLabels,
  misformedNotes,
  misformedNumbers,
  unmarkedTurns,
  type Misformed,
} from '../conventions.ts';
import type { RuleContext } from '../finding.ts';
import { brokenAgain } from './text.ts';
import type { Candidate } from './candidate.ts';

/** The caption rewritten, and the same with its lines broken again where it no longer fits. */
function rewritten(i: number, after: Caption, context: RuleContext, says: string): Candidate[] {
  const again = brokenAgain(after, context);
  return [after, ...(again.text === after.text ? [] : [again])].map((c) => ({ from: i, to: i + 1, after: [c], says }));
}

const saysOf = (found: readonly Misformed[]): string =>
  `${found.map(({ is, wanted }) => `“${is}” becomes “${wanted}”`).join(', ')}.`;

/** From the last to the first, so that the places before stay where they are. */
const written = (caption: Caption, found: readonly Misformed[]): Caption =>
  found.reduceRight((c, { from, to, wanted }) => spliceText(c, from, to, wanted), caption);

const rewrittenAs = (i: number, here: Caption, found: readonly Misformed[], context: RuleContext): Candidate[] =>
  found.length > 0 ? rewritten(i, written(here, found), context, saysOf(found)) : [];

/**
 * Notes of a caption written as the style wants them.
 * @param i index of the caption
 */
export function rewriteNotes(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  return here ? rewrittenAs(i, here, misformedNotes(here, context.style.text.soundNotes.form), context) : [];
}

/**
 * Numbers of a caption written as the style wants them.
 * @param i index of the caption
 */
export function rewriteNumbers(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  const { from } = context.style.text.numerals;
  return here ? rewrittenAs(i, here, misformedNumbers(here.text, from, context.language), context) : [];
}

/** Labels in the style's form; the speakers go on knowing which characters are theirs. */
export function rewriteLabels(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  const found = here ? misformedLabels(here, context.style.text.speakerLabels.form) : [];
  if (!here || found.length === 0) return [];
  const after = found.reduceRight((c, { from, to, wanted }): Caption => {
    const by = wanted.length - (to - from);
    const next = spliceText(c, from, to, wanted);
    const speakers = c.speakers.map((s) => {
      if (s.from > from) return { ...s, from: s.from + by, to: s.to + by };
      if (s.to <= from) return s;
      return { ...s, to: s.to + by, label: s.from === from && s.label > 0 ? s.label + by : s.label };
    });
    return { ...next, speakers };
  }, here);
  return rewritten(i, after, context, saysOf(found));
}

/** A label before the words of each speaker whose turn nothing marks, on a line of its own where it is not the first. */
export function labelTurns(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  const turns = here ? unmarkedTurns(here, captions[i - 1] ?? null) : [];
  if (!here || turns.length === 0) return [];
  const { form } = context.style.text.speakerLabels;
  const after = turns.reduceRight((c, turn): Caption => {
    const at = c.speakers.findIndex((s) => s.from === turn.from && s.to === turn.to);
    const label = `${labelText(turn.speaker, form)} `;
    let from = turn.from;
    while (from > 0 && isSpaceUnit(c.text.charCodeAt(from - 1))) from--;
    const opening = from === 0 ? '' : '\n';
    const next = spliceText(c, from, turn.from, `${opening}${label}`);
    const begins = from + opening.length;
    const speakers = next.speakers.map((s, k) => (k === at ? { ...s, from: begins, label: label.length } : s));
    return { ...next, speakers };
  }, here);
  return rewritten(i, after, context, `Marked where ${turns.map((t) => `“${t.speaker}”`).join(', ')} begins to speak.`);
}

/** Of each word that stands twice in a row, the second taken out. */
export function dropDoubled(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  const found = here ? doubledWords(here.text) : [];
  if (!here || found.length === 0) return [];
  const says = `The second ${found.map(({ from, to }) => `“${here.text.slice(from, to)}”`).join(', ')} is taken out.`;
  const after = found.reduceRight((c, { from, to }) => {
    let start = from;
    while (start > 0 && isSpaceUnit(c.text.charCodeAt(start - 1))) start--;
    // The line break that stood before it goes after the word that stays.
    const broke = c.text.slice(start, from).includes('\n');
    const out = spliceText(c, start, to, '');
    return broke && out.text.charAt(start) === ' ' ? spliceText(out, start, start + 1, '\n') : out;
  }, here);
  return rewritten(i, after, context, says);
}

/** Capitals where sentences begin. */
export function capitalise(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  const found = here ? lowerAfterEnd(here.text) : [];
  if (!here || found.length === 0) return [];
  const after = found.reduceRight(
    (c, { from }) => spliceText(c, from, from + 1, c.text.charAt(from).toUpperCase()),
    here,
  );
  return rewritten(i, after, context, 'Capital letter at the start of the sentence.');
}

/** Hesitations taken out, with the commas that held them; a capital they leave behind goes to the next word. */
export function dropHesitations(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  const found = here ? hesitationsIn(here.text, context.language) : [];
  if (!here || found.length === 0) return [];
  const says = `${found.map(({ word }) => `“${word}”`).join(', ')} taken out.`;
  const after = found.reduceRight((c, { from, to, word }) => without(c, from, to, /^\p{Lu}/u.test(word)), here);
  if (!/[\p{L}\p{N}]/u.test(after.text))
    return [{ from: i, to: i + 1, after: [], says: 'Removed: it held only hesitations.' }];
  return rewritten(i, after, context, says);
}

/** How many spaces stand right before a place. */
function spacesBefore(text: string, at: number): number {
  let from = at;
  while (from > 0 && /[ \t]/.test(text.charAt(from - 1))) from--;
  return at - from;
}

/** A comma before a place, with the spaces between. */
function commaBefore(text: string, at: number): number {
  const spaces = spacesBefore(text, at);
  return text.charAt(at - spaces - 1) === ',' ? spaces + 1 : 0;
}

function without(caption: Caption, from: number, to: number, isCapital: boolean): Caption {
  const { text } = caption;
  const signs = /^(?:,|…|\.\.\.|-+)/.exec(text.slice(to))?.[0].length ?? 0;
  const spaceAfter = /^[ \t]+/.exec(text.slice(to + signs))?.[0].length ?? 0;
  // “and, um, we”: with the comma behind it goes the one before, where both were there for the hesitation.
  const closes = /^[.!?]/.test(text.slice(to));
  const before = signs > 0 || closes ? commaBefore(text, from) : 0;
  const atLineEnd = closes || /^(?:$|\n)/.test(text.slice(to + signs + spaceAfter));
  const spaceBefore = before > 0 || atLineEnd ? spacesBefore(text, from) : 0;
  const start = from - Math.max(before, spaceBefore);
  const end = to + signs + (before > 0 && !atLineEnd ? 0 : spaceAfter);
  const out = spliceText(caption, start, end, '');
  const first = /^["'“‘(-]*\s*(\p{Ll})/u.exec(out.text.slice(start));
  if (!isCapital || !first) return out;
  const at = start + first[0].length - 1;
  return spliceText(out, at, at + 1, (first[1] ?? '').toUpperCase());
}
