/** The worker’s side of reading sound. */
import { answerQuestions } from '../background/worker-side.ts';
import { readSound, SoundTrouble } from './read-sound.ts';

export interface SoundRequest {
  readonly url: string;
  /** In ms. */
  readonly length: number;
}

answerQuestions(
  ({ url, length }: SoundRequest, progress) => readSound(url, length, progress),
  (error) => (error instanceof SoundTrouble ? error.message : null),
);
