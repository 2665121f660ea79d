/** Hears sound through for speech, beside the worker that decodes it. */
import type { Regions } from '../../../core/audio/regions.ts';
import { soundReader, type HeardSoFar, type SoundReader } from '../../../core/audio/sound-reader.ts';
import { voiceWeights } from '../../../core/audio/voice-net.ts';
import { answerQuestions } from '../../data/workers/worker-side.ts';
import { SoundTrouble } from './sound-track.ts';

export type VoiceQuestion =
  | { readonly begin: HeardSoFar | null }
  /** Samples of all channels as one. */
  | { readonly samples: Float32Array<ArrayBuffer>; readonly start: number; readonly rate: number }
  | 'so far'
  | 'finish';
/** What was asked for: `HeardSoFar`, or `Regions` at the end. */
export type VoiceAnswer = HeardSoFar | Regions | null;

const unfetched = (): never => {
  throw new SoundTrouble('What tells speech from other sound could not be fetched. Try again.');
};

async function readerFrom(before: HeardSoFar | null): Promise<SoundReader> {
  const response = await fetch(new URL('../../../core/audio/voice-net.bin', import.meta.url));
  if (!response.ok) unfetched();
  return soundReader(voiceWeights(await response.arrayBuffer()), before ?? undefined);
}

/** One recording after another. */
function listener(): (question: VoiceQuestion) => VoiceAnswer | Promise<VoiceAnswer> {
  let reader: SoundReader | null = null;
  return (question) => {
    if (typeof question === 'object' && 'begin' in question)
      return readerFrom(question.begin).then((begun) => {
        reader = begun;
        return null;
      });
    if (!reader) return unfetched();
    if (question === 'so far') return reader.soFar();
    if (question === 'finish') return reader.finish();
    reader.push(question.samples, question.start, question.rate);
    return null;
  };
}

answerQuestions(listener(), (error) => (error instanceof SoundTrouble ? error.message : null));
