/** Where a caption belongs, and how sure that is. */
import type { PlacedWord } from './grammars.ts';

/** How a caption came to its place. */
export type Certainty =
  /** Its words were heard. */
  | 'certain'
  /** It goes with its neighbours, which moved alike. */
  | 'with neighbours'
  /** Nothing says where it belongs: it stays. */
  | 'left';
/** Where a caption belongs, in ms. */
export interface CaptionPlace {
  readonly start: number;
  readonly end: number;
  readonly how: Certainty;
  /** Its words that were heard. */
  readonly words: readonly PlacedWord[];
}
