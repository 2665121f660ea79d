/** What a demo recording says: sentences with pauses, and sounds in some of the pauses. */
export type Voice = 'trainer' | 'keeper';

/** One sentence, said by one synthetic voice. */
export interface SpokenCue {
  readonly voice: Voice;
  readonly text: string;
  /** Silence before the sentence, in ms. */
  readonly pause: number;
  /** Speed of speech; 1 is the voice's own, below 1 is faster. */
  readonly stretch?: number;
  /** Said instead of `text` where the voice would misread the spelling. */
  readonly say?: string;
}

export interface SoundCue {
  readonly kind: 'water' | 'horn';
  /** Index of the sentence the sound comes before; the sound fills the pause there. */
  readonly before: number;
  readonly note: string;
  /** Length in ms. */
  readonly length: number;
}

export interface DemoScript {
  /** As its folder is called. */
  readonly name: string;
  readonly title: string;
  readonly language: string;
  readonly spoken: readonly SpokenCue[];
  readonly sounds: readonly SoundCue[];
  /** Silence after the last sentence, in ms. */
  readonly tail: number;
}

export const speakers: Readonly<Record<Voice, string>> = { trainer: 'Trainer', keeper: 'Keeper' };
