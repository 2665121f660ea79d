/** A caption split in two, wherever that is asked for. */
import { wholeGap } from '../style/style.ts';
import type { RuleContext } from '../rules/finding.ts';
import type { Caption } from '../model/caption.ts';
import type { Edit } from '../model/edits.ts';
import { splitTimes } from '../model/split-times.ts';

/** @param at text offset of the split @param newId of the later part */
export const splitting = (
  of: Caption,
  at: number,
  newId: string,
  { style, rate }: Pick<RuleContext, 'style' | 'rate'>,
): Edit => ({ type: 'split', id: of.id, at, newId, ...splitTimes(of, at, wholeGap(style, rate)) });
