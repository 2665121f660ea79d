/** Repairs of what is wrong with the text of a caption: breaking again, sharing in two, tidying. */
import { bestLines, wordsMeasured } from '../../layout/lines.ts';
import { reflow } from '../../layout/reflow.ts';
import { turnLines } from '../../text/labels.ts';
import { wholeGap } from '../../style/style.ts';
import { measure } from '../../text/measures.ts';
import { bondsOf, phrasesOf } from '../../languages/bonds.ts';
import type { Caption } from '../../model/caption.ts';
import { joinWhole } from '../../model/carried.ts';
import { joinTexts, spliceText } from '../../model/ranges.ts';
import type { RuleContext } from '../finding.ts';
import type { Candidate } from './candidate.ts';

/** A caption with its lines broken where the style has them best; the same words in the same order. */
export function brokenAgain(caption: Caption, context: RuleContext): Caption {
  const words = Array.from(caption.text.matchAll(/\S+/g), (m) => ({ text: m[0], at: m.index }));
  const text = words.map((w) => w.text);
  const turns = new Set(turnLines(caption));
  const opens = Uint8Array.from(words, (w, i) => (i > 0 && turns.has(w.at) ? 1 : 0));
  const all = wordsMeasured(text, bondsOf(text, phrasesOf(context.language)), opens, context.style);
  const breaks = new Set(bestLines(all, 0, words.length, context.style).breaks);
  let out = caption;
  // From the end, so that the places before stay where they are.
  for (let i = words.length - 1; i > 0; i--) {
    const word = words[i];
    const before = words[i - 1];
    if (!word || !before) continue;
    const from = before.at + before.text.length;
    const between = breaks.has(i) ? '\n' : ' ';
    if (caption.text.slice(from, word.at) !== between) out = spliceText(out, from, word.at, between);
  }
  return out;
}

/** The lines broken again. */
export function breakAgain(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  const { lineLength, lines } = context.style.text;
  if (!here) return [];
  // What is more than its lines hold fits no better when they break elsewhere; a break more takes the place of a space.
  const { characters, lines: now } = measure(here, context.style.counting);
  const spaces = context.style.counting.spaces ? Math.max(0, lines.limit - now.length) : 0;
  if (characters - spaces > lineLength.limit * lines.limit) return [];
  const after = brokenAgain(here, context);
  return after.text === here.text ? [] : [{ from: i, to: i + 1, after: [after], says: 'Lines broken differently.' }];
}

/** Shared among two captions or more, each for the words said in it. */
export function share(captions: readonly Caption[], i: number, context: RuleContext, newId: () => string): Candidate[] {
  const here = captions[i];
  if (!here || here.letBe.length > 0 || here.end - here.start < 2) return [];
  const parts = reflow([here], context, newId);
  if (parts.length < 2) return [];
  // The parts stay inside the time the caption had.
  const after = parts.map((part, k): Caption => {
    const last = k === parts.length - 1;
    return {
      ...part,
      id: k === 0 ? here.id : part.id,
      start: k === 0 ? here.start : part.start,
      end: last ? Math.max(part.start + 1, here.end) : Math.min(part.end, here.end),
      timing: here.timing,
    };
  });
  return [{ from: i, to: i + 1, after, says: `Split into ${String(after.length)} captions.` }];
}

/** How many captions before and after are laid out with one that has no room by itself, the nearest first. */
const windows = [
  [0, 1],
  [1, 0],
  [1, 1],
  [0, 2],
  [2, 2],
] as const;

/** More characters than this are a text that nobody has laid out yet, for which reflow is there. */
const longestRow = 1000;

/**
 * Reflowed together with its neighbours, where a caption by itself has not the time to become two: words go where
 * there is time for them. Captions that were proofed, or have something let be, stay as they are.
 */
export function* reflowNear(
  captions: readonly Caption[],
  i: number,
  context: RuleContext,
  newId: () => string,
): Generator<Candidate> {
  for (const [before, after] of windows) {
    const from = Math.max(0, i - before);
    const to = Math.min(captions.length, i + after + 1);
    const row = captions.slice(from, to);
    if (row.length < 2 || row.some((c, k) => c.letBe.length > 0 || (c.proofed && from + k !== i))) continue;
    if (row.reduce((sum, c) => sum + c.text.length, 0) > longestRow) continue;
    const next = captions[to];
    const room = next ? next.start - wholeGap(context.style, context.rate) : (context.length ?? Infinity);
    const laid = reflow(row, context, newId).map((c, k, all): Caption => {
      const end = k === all.length - 1 ? Math.max(c.start + 1, Math.min(c.end, room)) : c.end;
      return { ...c, end, id: row[k]?.id ?? c.id };
    });
    const says = `Reflowed with its neighbours: ${String(row.length)} captions become ${String(laid.length)}.`;
    yield { from, to, after: laid, says };
  }
}

/** Whether two captions have room in one, as far as their lengths tell. */
function mayFit(a: Caption, b: Caption, { style }: RuleContext): boolean {
  const { characters: first } = measure(a, style.counting);
  const { characters: second } = measure(b, style.counting);
  return first + second <= style.text.lineLength.limit * style.text.lines.limit;
}

/** Joined with the caption after it or before it. */
export function join(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  return [
    [i, i + 1],
    [i - 1, i],
  ].flatMap(([a = -1, b = -1]): Candidate[] => {
    const first = captions[a];
    const second = captions[b];
    if (!first || !second || first.letBe.length + second.letBe.length > 0) return [];
    if (!mayFit(first, second, context)) return [];
    if ((first.speakers[0]?.speaker ?? '') !== (second.speakers[0]?.speaker ?? '')) return [];
    const whole: Caption = {
      ...first,
      ...joinTexts([first, second], ' '),
      ...joinWhole(first, second),
      end: Math.max(first.end, second.end),
      proofed: first.proofed && second.proofed,
    };
    const says = a === i ? 'It is joined with the next caption.' : 'It is joined with the caption before.';
    return [{ from: a, to: b + 1, after: [brokenAgain(whole, context)], says }];
  });
}

/** Spaces nobody meant taken out. */
export function tidySpaces(captions: readonly Caption[], i: number): Candidate[] {
  const here = captions[i];
  if (!here) return [];
  let after = here;
  const stray = Array.from(here.text.matchAll(/[ \t]+/g), (m) => ({ from: m.index, to: m.index + m[0].length }));
  for (const { from, to } of stray.reverse()) {
    const edge = from === 0 || to === here.text.length || here.text[from - 1] === '\n' || here.text[to] === '\n';
    if (edge) after = spliceText(after, from, to, '');
    else if (to - from > 1) after = spliceText(after, from, to, ' ');
  }
  return after === here ? [] : [{ from: i, to: i + 1, after: [after], says: 'Extra spaces removed.' }];
}

/** What stands for signs a set does not have. */
const plainSigns: Readonly<Record<string, string>> = {
  '“': '"',
  '”': '"',
  '‘': "'",
  '–': '-',
  '—': '-',
  '…': '...',
  '\u00a0': ' ',
};

/** Signs a decoder cannot show written plainly. */
export function plainCharacters(captions: readonly Caption[], i: number): Candidate[] {
  const here = captions[i];
  if (!here) return [];
  let after = here;
  for (let at = here.text.length - 1; at >= 0; at--) {
    const plain = plainSigns[here.text[at] ?? ''];
    if (plain !== undefined) after = spliceText(after, at, at + 1, plain);
  }
  return after === here ? [] : [{ from: i, to: i + 1, after: [after], says: 'Unsupported characters replaced.' }];
}

/** A caption without text goes. */
export const remove = (_: readonly Caption[], i: number): Candidate[] => [
  { from: i, to: i + 1, after: [], says: 'Empty caption removed.' },
];
