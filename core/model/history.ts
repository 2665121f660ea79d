/**
 * Undo and redo of one tab's own steps, as a plain value. Both go through the same door as every
 * other change: undoing hands out an edit, and whoever applies it tells the history. What others do
 * is told to it too (`carry`), so that taking a step back leaves their work as it is.
 */
import { apply } from './apply.ts';
import type { Caption } from './caption.ts';
import { EditRefused, merge, type Edit } from './edits.ts';
import type { Part } from './merge/parts.ts';
import { transform } from './merge/transform.ts';

/** In ms; null for all of the recording. */
type StretchOfJob = { readonly start: number; readonly end: number } | null;

/** What a step changed besides captions: a part of the recording that is to be captioned, as it was and as it became. */
export interface Beside {
  readonly stretch: { readonly from: StretchOfJob; readonly to: StretchOfJob };
}

export interface UndoStep {
  /** What somebody did by hand, which typing on can merge with; it stays the same however often it is taken back and made again. */
  readonly made: Edit;
  /** Takes the step back; null where others' work stands in its way. */
  readonly inverse: Edit | null;
  /** The run of presses it is made of, to which the next of them is added; left out where it is whole. */
  readonly run?: string;
  /** What goes back with it; from where it is now to where it was. */
  readonly beside?: Beside;
}

export interface History {
  readonly undo: readonly UndoStep[];
  readonly redo: readonly UndoStep[];
}

export const noHistory: History = { undo: [], redo: [] };

const reversed = ({ stretch: { from, to } }: Beside): Beside => ({ stretch: { from: to, to: from } });

/** How many steps are remembered; older ones stay in the log, where any edit can be gone back to. */
const longest = 1000;

/** Whether a step may join the one before it: as typing on (not after a pause or a move of the cursor), or in a run of this name. */
export type Joins = boolean | string;

/** The parts of an edit, one after another. */
const partsOf = (edit: Edit): readonly Edit[] => (edit.type === 'together' ? edit.edits : [edit]);

/** A step with one more press of its run. */
function runOn(step: UndoStep & { readonly inverse: Edit }, done: Edit, inverse: Edit): UndoStep {
  const made = merge(step.made, done);
  if (made) return { ...step, made };
  return {
    ...step,
    made: { type: 'together', edits: [...partsOf(step.made), ...partsOf(done)] },
    inverse: { type: 'together', edits: [...partsOf(inverse), ...partsOf(step.inverse)] },
  };
}

/**
 * Remembers a step just applied; consecutive typing becomes one step, and so does a run of presses.
 * @param beside what was changed besides captions, in the same step
 */
export function remember(
  history: History,
  done: Edit,
  inverse: Edit,
  joins: Joins,
  beside: Beside | null = null,
): History {
  const last = history.undo.at(-1);
  if (typeof joins === 'string' && last?.inverse && last.run === joins)
    return { undo: [...history.undo.slice(0, -1), runOn({ ...last, inverse: last.inverse }, done, inverse)], redo: [] };
  const together = joins === true && last?.inverse ? merge(last.made, done) : null;
  if (last && together)
    return {
      undo: [...history.undo.slice(0, -1), { made: together, inverse: last.inverse }],
      redo: [],
    };
  const run = typeof joins === 'string' ? { run: joins } : {};
  const step = { made: done, inverse, ...run, ...(beside && { beside: reversed(beside) }) };
  return { undo: [...history.undo, step].slice(-longest), redo: [] };
}

/** Steps, the next to be taken last, carried over what others did. */
function carrySteps(
  steps: readonly UndoStep[],
  captions: readonly Caption[],
  theirs: readonly Part[],
): readonly UndoStep[] {
  const open = steps.flatMap((step) => (step.inverse ? [{ step, inverse: step.inverse }] : [])).reverse();
  if (open.length === 0) return steps;
  const { own, conflicts } = transform(
    captions,
    open.map((o) => o.inverse),
    theirs,
    'drop',
  );
  const stands = new Map(open.map(({ step }, i) => [step, own[i] ?? null]));
  const inConflict = new Set(conflicts.map((i) => open[i]?.step));
  return steps.flatMap((step) => {
    const inverse = stands.get(step) ?? null;
    // Of a step whose captions others have removed nothing is left to take back.
    return inverse || !step.inverse || inConflict.has(step) ? [{ ...step, inverse }] : [];
  });
}

/**
 * The history after others have changed the captions.
 * @param captions as they were before that, with the own edits in them
 * @param theirs what others did, as it reaches them
 */
export function carry(history: History, captions: readonly Caption[], theirs: readonly Part[]): History {
  if (theirs.length === 0) return history;
  try {
    return carried(history, captions, theirs);
  } catch (error) {
    // A step that cannot be followed any more is better forgotten than done to other captions.
    if (error instanceof EditRefused) return noHistory;
    throw error;
  }
}

function carried(history: History, captions: readonly Caption[], theirs: readonly Part[]): History {
  return { undo: carrySteps(history.undo, captions, theirs), redo: carrySteps(history.redo, captions, theirs) };
}

export interface Reversal {
  readonly history: History;
  /** The edit to apply; null when there was nothing that could be taken back. */
  readonly edit: Edit | null;
  /** What somebody did by hand that is taken back, or made again; null where nothing is. */
  readonly made: Edit | null;
  /** What has to become otherwise besides captions; null where nothing has. */
  readonly beside: Beside | null;
  /** Steps passed over because others have changed the same since. */
  readonly skipped: number;
}

function reverse(history: History, captions: readonly Caption[], from: 'undo' | 'redo'): Reversal {
  const to = from === 'undo' ? 'redo' : 'undo';
  const steps = [...history[from]];
  let skipped = 0;
  for (let step = steps.pop(); step; step = steps.pop()) {
    const { inverse, made, beside = null } = step;
    if (inverse) {
      try {
        const taken = apply(captions, inverse);
        const back: UndoStep = {
          made,
          inverse: taken.inverse,
          ...(beside && { beside: reversed(beside) }),
        };
        const now = { ...history, [from]: steps, [to]: [...history[to], back] };
        return { history: now, edit: inverse, made, beside, skipped };
      } catch (error) {
        if (!(error instanceof EditRefused)) throw error;
      }
    }
    skipped++;
  }
  return { history: { ...history, [from]: [] }, edit: null, made: null, beside: null, skipped };
}

/** The edit that takes the last step back, and the history once it is applied. */
export const undo = (history: History, captions: readonly Caption[]): Reversal => reverse(history, captions, 'undo');

/** The edit that does the last undone step again, and the history once it is applied. */
export const redo = (history: History, captions: readonly Caption[]): Reversal => reverse(history, captions, 'redo');
