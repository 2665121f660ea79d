/** What the text surface knows besides its text: the captions, their findings, the cursor caption. */
import { Annotation, StateEffect, StateField, type EditorState } from '@codemirror/state';
import type { ViewUpdate } from '@codemirror/view';
import type { Finding } from '../../../core/rules/finding.ts';
import type { HouseStyle } from '../../../core/style/style.ts';
import type { Caption } from '../../../core/model/caption.ts';
import type { Applied } from '../../../core/model/apply.ts';
import type { Edit } from '../../../core/model/edits.ts';
import { layoutOf, type Layout } from './layout.ts';

/** What the margins and marks show besides the captions. */
export interface Around {
  readonly style: HouseStyle;
  readonly findings: ReadonlyMap<string, readonly Finding[]>;
  /** The cursor caption. */
  readonly cursor: string | null;
  /** Line by line, or as running text. */
  readonly reading: 'lines' | 'text';
  /** How times are shown. */
  readonly clock: (ms: number) => string;
  /** Captions have their numbers beside them. */
  readonly showsNumbers: boolean;
  /** Words with a certainty below this are doubtful. */
  readonly doubtBelow: number;
  /** A proofed caption stays proofed when its text is changed. */
  readonly keepsProof: boolean;
}

/** A change of the track that a transaction stands for. */
export interface SurfaceChange {
  readonly edit: Edit;
  readonly applied: Applied;
  readonly mergeable: boolean;
}

export const setCaptions = StateEffect.define<readonly Caption[]>();
export const setAround = StateEffect.define<Around>();

/** Whether an update was told other captions, or something else around them. */
export const isTold = ({ transactions }: Pick<ViewUpdate, 'transactions'>): boolean =>
  transactions.some((tr) => tr.effects.some((e) => e.is(setAround) || e.is(setCaptions)));

/** Marks transactions that already carry what they mean for the track, or that come from the track. */
export const trackChange = Annotation.define<SurfaceChange>();
export const fromTrack = Annotation.define<true>();

export const layoutField = StateField.define<Layout>({
  create: () => layoutOf([]),
  update(value, tr) {
    for (const effect of tr.effects) if (effect.is(setCaptions)) return layoutOf(effect.value);
    return value;
  },
});

export const aroundField = StateField.define<Around | null>({
  create: () => null,
  update(value, tr) {
    for (const effect of tr.effects) if (effect.is(setAround)) return effect.value;
    return value;
  },
});

/** The style the surface works under. */
export function surfaceStyle(state: EditorState): HouseStyle {
  const around = state.field(aroundField);
  if (!around) throw new Error('The text surface has not been told its house style.');
  return around.style;
}
