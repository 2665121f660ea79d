/** What holds for moving times in the job that is open. */
import type { Edge, Moved, MoveRules, Timed } from '../../../core/timing/drag/move.ts';
import { wholeGap, type HouseStyle } from '../../../core/style/style.ts';
import type { Caption } from '../../../core/model/caption.ts';
import type { Edit } from '../../../core/model/edits.ts';
import { frameLength } from '../../../core/timing/clock/timecode.ts';
import type { Job } from '../../../core/job/job.ts';

const sharedUpTo = ({ time }: HouseStyle, gap: number): number =>
  time.closeBelow.severity === 'off' ? gap : Math.max(gap, time.closeBelow.limit);

export function moveRulesOf({ style, rate, recording }: Job): MoveRules {
  const gap = wholeGap(style, rate);
  const length = recording?.length ?? Infinity;
  return { gap, shared: sharedUpTo(style, gap), least: Math.ceil(frameLength(rate)), length };
}

/** By how much a key moves an edge, in ms: a picture where there are pictures, a hundredth of a second where there are none. */
export const keyStepOf = ({ rate, recording }: Job): number => ((recording?.width ?? 0) > 0 ? frameLength(rate) : 10);

/** The edit that gives captions these times; the times of their words stay, since they are where the words are said. */
export const retiming = (changes: readonly Timed[]): Edit => ({
  type: 'retime',
  captions: changes.map(({ id, start, end }) => ({ id, start, end, timing: 'set' as const })),
  pieces: [],
});

/** The captions as they are while some of them are being moved. */
export function withMoved(captions: readonly Caption[], changes: readonly Timed[]): readonly Caption[] {
  if (changes.length === 0) return captions;
  const moved = new Map(changes.map((c) => [c.id, c]));
  return captions.map((c) => {
    const to = moved.get(c.id);
    return to ? { ...c, start: to.start, end: to.end } : c;
  });
}

/** What stopped an edge, as a sentence. */
export function stoppedText(stopped: NonNullable<Moved['stopped']>, edge: Edge): string {
  if (stopped === 'least') return 'A caption cannot be shorter than this.';
  if (stopped === 'begin') return 'The recording begins here.';
  if (stopped === 'end') return 'The recording ends here.';
  return `The caption ${edge === 'start' ? 'before' : 'after'} it is in the way: move that first.`;
}
