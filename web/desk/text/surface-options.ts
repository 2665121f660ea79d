/** What the text surface is given, and whom it tells. */
import type { Caption } from '../../../core/model/caption.ts';
import type { EditContext } from './edit-commands.ts';
import type { Listeners } from './listeners.ts';
import type { Around } from './state.ts';

export interface SurfaceOptions extends EditContext, Listeners {
  readonly parent: HTMLElement;
  readonly nonce: string;
  readonly captions: readonly Caption[];
  readonly around: Around;
  /** How much of the foot something stands over, in px: what is brought into sight stays clear of it. */
  readonly covered: () => number;
  /** An input method began or ended composing. */
  readonly onComposing: (now: boolean) => void;
  /** The time of a caption was pressed in the margin. */
  readonly onTime: (id: string) => void;
  /** A word was pressed with Ctrl: it wants to be heard. */
  readonly onHear: (id: string, offset: number) => void;
  /** More was pasted than a track takes at once; nothing was changed. */
  readonly onTooMuch: (text: string) => void;
}
