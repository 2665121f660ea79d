/**
 * Undo and redo of one tab's own steps, as a plain value. Both go through the same door as every
 * other change: undoing hands out an edit, and whoever applies it tells the history.
 */
import type { Caption } from './caption.ts';
import { apply, merge, touches, type Edit } from './edits.ts';

export interface Step {
  /** What was done; kept so that typing on can merge with it. */
  readonly done: Edit;
  /** Takes the step back. */
  readonly inverse: Edit;
  /** The captions it touched as it left them: undo is skipped once somebody else has changed one. */
  readonly left: readonly Caption[];
}

export interface History {
  readonly undo: readonly Step[];
  readonly redo: readonly Step[];
}

export const noHistory: History = { undo: [], redo: [] };

/** How many steps are remembered; older ones stay in the log, where any edit can be gone back to. */
const longest = 1000;

function stepOf(done: Edit, inverse: Edit, after: readonly Caption[]): Step {
  const ids = new Set(touches(done));
  return { done, inverse, left: after.filter((c) => ids.has(c.id)) };
}

/**
 * Remembers a step just applied; consecutive typing becomes one step.
 * @param after the captions after it
 * @param mergeable whether it may join the step before (false after a pause or a move of the cursor)
 */
export function remember(
  history: History,
  done: Edit,
  inverse: Edit,
  after: readonly Caption[],
  mergeable: boolean,
): History {
  const last = history.undo.at(-1);
  const together = mergeable && last ? merge(last.done, done) : null;
  if (last && together)
    return { undo: [...history.undo.slice(0, -1), stepOf(together, last.inverse, after)], redo: [] };
  return { undo: [...history.undo, stepOf(done, inverse, after)].slice(-longest), redo: [] };
}

/** Whether the captions a step left are still as it left them. */
function stands(step: Step, captions: readonly Caption[]): boolean {
  const now = new Map(captions.map((c) => [c.id, c]));
  const touched = new Set(touches(step.done));
  const present = [...touched].filter((id) => now.has(id)).length;
  return (
    present === step.left.length &&
    step.left.every((c) => now.get(c.id) === c || JSON.stringify(now.get(c.id)) === JSON.stringify(c))
  );
}

export interface Reversal {
  readonly history: History;
  /** The edit to apply; null when there was nothing that could be taken back. */
  readonly edit: Edit | null;
  /** Steps passed over because somebody else has changed their captions since. */
  readonly skipped: number;
}

function reverse(history: History, captions: readonly Caption[], from: 'undo' | 'redo'): Reversal {
  const to = from === 'undo' ? 'redo' : 'undo';
  const steps = [...history[from]];
  let skipped = 0;
  for (let step = steps.pop(); step; step = steps.pop()) {
    if (!stands(step, captions)) {
      skipped++;
      continue;
    }
    const taken = apply(captions, step.inverse);
    const back = stepOf(step.inverse, taken.inverse, taken.captions);
    return { history: { ...history, [from]: steps, [to]: [...history[to], back] }, edit: step.inverse, skipped };
  }
  return { history: { ...history, [from]: [] }, edit: null, skipped };
}

/** The edit that takes the last step back, and the history once it is applied. */
export const undo = (history: History, captions: readonly Caption[]): Reversal => reverse(history, captions, 'undo');

/** The edit that does the last undone step again, and the history once it is applied. */
export const redo = (history: History, captions: readonly Caption[]): Reversal => reverse(history, captions, 'redo');
