/** The worker’s side of placing: hears its part of a recording for the words of a script. */
import { ALL_FORMATS, AudioSampleSink, Input, UrlSource } from 'mediabunny';
import { answerQuestions } from '../background/worker-side.ts';
import { anchorsIn, type ReadSound } from '../../core/placing/anchors.ts';
import { engineRate } from '../../core/placing/engine.ts';
import { fillsFor, type Gap } from '../../core/placing/fills.ts';
import type { Hearing, Placed } from '../../core/placing/grammars.ts';
import type { Part } from '../../core/placing/listen.ts';
import { scriptOf, type Script } from '../../core/placing/words-to-place.ts';
import { modelFor } from '../../core/pronunciation/models.ts';
import { resampled } from '../../core/speech/resample.ts';
import type { Caption } from '../../core/track/caption.ts';
import { soundTrack, SoundTrouble } from '../sound/sound-track.ts';
import { recogniserFor } from './recogniser.ts';

/** What is to be placed, and in which sound. */
export interface PlacingJob {
  readonly url: string;
  /** Which of its sound tracks, from 0. */
  readonly track: number;
  /** BCP 47. */
  readonly language: string;
  readonly captions: readonly Pick<Caption, 'text' | 'speakers'>[];
}
export type PlacingQuestion =
  | { readonly job: PlacingJob; readonly ask: 'script' }
  | { readonly job: PlacingJob; readonly ask: 'anchors'; readonly part: Part }
  | { readonly job: PlacingJob; readonly ask: 'fills'; readonly gaps: readonly Gap[] };
export type PlacingAnswer = Script | readonly (readonly Placed[])[] | readonly Placed[];

/** One recogniser at a time, for the language that was asked for last. */
function recognisers(): (language: string) => Promise<Omit<Hearing, 'script'>> {
  let known: { readonly language: string; readonly recogniser: Promise<Omit<Hearing, 'script'>> } | null = null;
  return (language) => {
    const model = modelFor(language);
    if (!model) throw new SoundTrouble(`There is no acoustic model for ${language}.`);
    if (known?.language !== language) known = { language, recogniser: recogniserFor(model) };
    return known.recogniser;
  };
}
const recogniser = recognisers();

/** One channel at the rate the engine takes. @param input stays open while it is read from */
async function soundOf(input: Input, nth: number): Promise<ReadSound> {
  const track = await soundTrack(input, nth);
  if (!track) throw new SoundTrouble('This recording has no sound that captions could be placed by.');
  const rate = await track.getSampleRate();
  const sink = new AudioSampleSink(track);
  return async (start, end) => {
    const frames = Math.max(1, Math.ceil(((end - start) / 1000) * rate));
    const mono = new Float32Array(frames);
    for await (const sample of sink.samples(start / 1000, end / 1000)) {
      const plane = new Float32Array(sample.numberOfFrames);
      const at = Math.round((sample.timestamp - start / 1000) * rate);
      for (let planeIndex = 0; planeIndex < sample.numberOfChannels; planeIndex++) {
        sample.copyTo(plane, { planeIndex, format: 'f32-planar' });
        const last = Math.min(plane.length, frames - at);
        for (let i = Math.max(0, -at); i < last; i++)
          mono[at + i] = (mono[at + i] ?? 0) + (plane[i] ?? 0) / sample.numberOfChannels;
      }
      sample.close();
    }
    return resampled(mono, rate, engineRate);
  };
}

async function answer(question: PlacingQuestion, progress: (share: number) => void): Promise<PlacingAnswer> {
  const { job } = question;
  const { engine, pronounce } = await recogniser(job.language);
  const script = scriptOf(job.captions, job.language, pronounce);
  if (question.ask === 'script') return script;
  const input = new Input({ source: new UrlSource(job.url), formats: ALL_FORMATS });
  try {
    const sound = await soundOf(input, job.track);
    const hearing = { engine, pronounce, script };
    if (question.ask === 'fills')
      return await fillsFor(hearing, sound, question.gaps, (done) => progress(done / question.gaps.length));
    const { groups, next } = question.part;
    return await anchorsIn(hearing, sound, groups, next, (done) => progress(done / groups.length));
  } finally {
    input.dispose();
  }
}
answerQuestions(
  (question: PlacingQuestion, progress: (share: number) => void) => answer(question, progress),
  (error) => (error instanceof SoundTrouble ? error.message : null),
);
