/** What is done to several captions at once, each as one step. */
import { max } from 'd3-array';
import { labelLength, labelsIn } from '../text/labels.ts';
import type { Timed } from '../timing/drag/move.ts';
import type { Caption } from '../model/caption.ts';
import { joinWhole, type WholeFields } from '../model/carried.ts';
import type { Edit } from '../model/edits.ts';
import { joinTexts, onOneLine, spliceText } from '../model/ranges.ts';
import { labelText } from '../rules/conventions.ts';
import type { RuleContext } from '../rules/finding.ts';
import { brokenAgain } from '../rules/repairs/text.ts';

/** The times of captions some ms later, or earlier where that is negative; none begins before 0. */
export function shiftedTimes(captions: readonly Caption[], by: number): readonly Timed[] {
  const earliest = captions.reduce((least, c) => Math.min(least, c.start), Infinity);
  const whole = Math.max(Math.round(by), -earliest);
  if (whole === 0) return [];
  return captions.map(({ id, start, end }) => ({ id, start: start + whole, end: end + whole }));
}

/** The same as an edit; null where nothing is moved. */
export function shifted(captions: readonly Caption[], by: number): Edit | null {
  const edits = shiftedTimes(captions, by).map((times) => ({ type: 'setTimes' as const, ...times }));
  return edits.length > 0 ? { type: 'together', edits } : null;
}

/** Captions in a row as one, with the lines broken again. */
export function joinedAll(captions: readonly Caption[], context: RuleContext): Edit | null {
  const [first] = captions;
  if (!first || captions.length < 2) return null;
  const whole: Caption = {
    ...first,
    ...joinTexts(
      captions.map((c) => onOneLine(c)),
      ' ',
    ),
    ...captions.slice(1).reduce<WholeFields>(joinWhole, first),
    end: max(captions, (c) => c.end) ?? first.end,
  };
  return { type: 'replace', removed: captions.map((c) => c.id), captions: [brokenAgain(whole, context)] };
}

/**
 * Captions said by a speaker. The first gets the label in the style's form; what was known of who spoke in
 * them goes, and so does a label they began with.
 * @param speaker as the label has it; empty to take the speaker away
 */
export function labelled(captions: readonly Caption[], speaker: string, context: RuleContext): Edit | null {
  if (captions.length === 0) return null;
  const name = speaker.trim();
  const after = captions.map((c, i): Caption => {
    const known = labelsIn(c, new Set([name.toLowerCase()])).find((l) => l.from === 0);
    const length = Math.max(known?.to ?? 0, labelLength(c.text, name));
    const bare = length > 0 ? spliceText(c, 0, length, '') : c;
    const label = i === 0 && name !== '' ? `${labelText(name, context.style.text.speakerLabels.form)} ` : '';
    const said = label === '' ? bare : spliceText(bare, 0, 0, label);
    const speakers =
      name === ''
        ? []
        : [{ from: 0, to: said.text.length, speaker: name, label: Math.min(label.length, said.text.length) }];
    return { ...(label === '' ? said : brokenAgain(said, context)), speakers, proofed: false };
  });
  return { type: 'setCaptions', captions: after };
}
