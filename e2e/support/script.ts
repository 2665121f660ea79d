/** What is said in a recording of the demo, and when: as it was spoken, not as anything heard it. */
import { readFileSync } from 'node:fs';

export interface Sentence {
  readonly text: string;
  /** In ms. */
  readonly start: number;
  readonly end: number;
}

/** @param name folder of the recording */
export const scriptOf = (name: string): readonly Sentence[] =>
  (
    JSON.parse(readFileSync(`demo/recordings/${name}/true-script.json`, 'utf8')) as {
      readonly sentences: readonly Sentence[];
    }
  ).sentences;
