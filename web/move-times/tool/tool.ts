/** What each way of moving times is to the bar that shows it; none of them knows another. */
import type { Caption } from '../../../core/model/caption.ts';
import type { Plan } from './plan.ts';

export interface TimesTool {
  /** Which captions it begins with where none are selected: the cursor caption and all after it, or all. */
  readonly begins: 'on' | 'all';
  /** It is about all captions, and no others can be chosen. */
  readonly wholeOnly?: true;
  /** How captions would be moved now. @param captions those that were chosen, in a row */
  readonly plan: (captions: readonly Caption[]) => Plan;
  /** Forgets what was tried. */
  readonly clear: () => void;
  /** Whether its panel stands in place of the stage now, and its part of the monitor there. */
  readonly shows?: { readonly inStage: () => boolean; readonly inMonitor: () => boolean };
  /** The track that gave the times, which needs no such move itself. */
  readonly gives?: () => string | null;
  /** How many captions stay where they are while their words get times. */
  readonly worded?: () => number;
  /** It opens by itself where work of it goes on that was begun elsewhere: over another tool only where that was asked for by hand. */
  readonly resumes?: { readonly isDue: () => boolean; readonly byHand: boolean; readonly go: () => void };
}
