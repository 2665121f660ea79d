/** The worker’s side of placing: hears its part of a recording for the words of a script. */
import { ALL_FORMATS, Input, UrlSource } from 'mediabunny';
import { answerQuestions } from '../../data/workers/worker-side.ts';
import type { PartHeard, ReadSound } from '../../../core/audio/align/anchors.ts';
import { engineRate } from '../../../core/audio/align/engine.ts';
import type { WordsToFill } from '../../../core/audio/align/fills.ts';
import type { PlacedWord } from '../../../core/audio/align/grammars.ts';
import { hearerOf, type Hearer } from '../../../core/audio/align/listen.ts';
import type { Script } from '../../../core/audio/align/script.ts';
import { scriptOf } from '../../../core/audio/align/words-to-place.ts';
import { modelFor } from '../../../core/audio/phones/models.ts';
import type { Stretch } from '../../../core/audio/regions.ts';
import { resampled } from '../../../core/audio/resample.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { pieceOf } from '../../recording/sound/read-piece.ts';
import { soundTrack, SoundTrouble } from '../../recording/sound/sound-track.ts';
import { loadRecogniser } from './recogniser.ts';

/** What is to be placed, and in which sound. */
export interface PlacingJob {
  readonly url: string;
  /** Which of its sound tracks, from 0. */
  readonly track: number;
  /** BCP 47. */
  readonly language: string;
  readonly captions: readonly Pick<Caption, 'text' | 'speakers'>[];
}
/** First what it is about, once; then what is to be heard of it. */
export type PlacingQuestion =
  | { readonly begin: PlacingJob }
  | { readonly so: PartHeard; readonly groups: readonly Stretch[] }
  | { readonly gaps: readonly WordsToFill[] };
export type PlacingAnswer = Script | PartHeard | readonly PlacedWord[];

/** One channel of a sound track, at the rate the engine takes. @param url of the recording @param nth sound track of it */
async function soundOf(url: string, nth: number): Promise<ReadSound> {
  // Read from until the worker is let go.
  const track = await soundTrack(new Input({ source: new UrlSource(url), formats: ALL_FORMATS }), nth);
  if (!track) throw new SoundTrouble('This recording has no sound that captions could be placed by.');
  return async (start, end) => {
    const { channels, rate } = await pieceOf(track, start / 1000, end / 1000);
    const [mono = new Float32Array(), ...others] = channels;
    for (const channel of others) for (let i = 0; i < mono.length; i++) mono[i] = (mono[i] ?? 0) + (channel[i] ?? 0);
    if (others.length > 0) for (let i = 0; i < mono.length; i++) mono[i] = (mono[i] ?? 0) / channels.length;
    return resampled(mono, rate, engineRate);
  };
}

async function begin(job: PlacingJob): Promise<{ readonly script: Script; readonly hearer: Hearer }> {
  const model = modelFor(job.language);
  if (!model) throw new SoundTrouble(`There is no acoustic model for ${job.language}.`);
  const fetched = loadRecogniser(model).catch(() => {
    throw new SoundTrouble('The acoustic model could not be fetched. Nothing was moved; try once more.');
  });
  const [recogniser, sound] = await Promise.all([fetched, soundOf(job.url, job.track)]);
  const script = scriptOf(job.captions, job.language, recogniser.pronounce);
  return { script, hearer: hearerOf({ ...recogniser, script }, sound) };
}

function answering(): (question: PlacingQuestion, tell: (share: number) => void) => Promise<PlacingAnswer> {
  let hearer: Hearer | null = null;
  return async (question, tell) => {
    if ('begin' in question) {
      const begun = await begin(question.begin);
      hearer = begun.hearer;
      return begun.script;
    }
    if (!hearer) throw new Error('What it is about comes first.');
    return 'so' in question ? hearer.anchors(question.so, question.groups, tell) : hearer.fills(question.gaps, tell);
  };
}
answerQuestions(answering(), (error) => (error instanceof SoundTrouble ? error.message : null));
