/** Hears a recording through, piece by piece, and says where speech and sound are in it. */
import { frameMs, pieceMs, regionsOf, type Regions } from './regions.ts';
import { steadySound, type SteadySound } from './steady-sound.ts';
import { pieceSize, voiceNet, voiceRate, type VoiceWeights } from './voice-net.ts';

/** Samples of a frame whose loudness is told. */
const frameSize = (frameMs / 1000) * voiceRate;
/** As much of a recording as has been heard, to be gone on with another time. */
export interface HeardSoFar {
  /** How likely each piece of 32 ms holds a voice. */
  readonly voice: Float32Array<ArrayBuffer>;
  /** How loud each frame of 10 ms is, in dB. */
  readonly loud: Float32Array<ArrayBuffer>;
}
/** Pieces and frames end together so often, in ms. */
const together = 160;
/** Before it goes on, so much is heard once more, so that the network is where it was; in ms. */
const again = 3200;
const sureOf = ({ voice, loud }: HeardSoFar): number =>
  Math.floor(Math.min(voice.length * pieceMs, loud.length * frameMs) / together) * together;
/** Where a recording is to be heard from on, in seconds, so that reading goes on after what was heard. */
export const goesOnFrom = (before: HeardSoFar): number => Math.max(0, sureOf(before) - again) / 1000;

export interface SoundReader {
  /** Where something is missing it counts as silence; what was there before is passed over. */
  readonly push: SteadySound['push'];
  /** What has been heard by now. */
  readonly soFar: () => HeardSoFar;
  readonly finish: () => Regions;
}

/** Values one after another, as many as come. @param before those that are there @param skip so many that come are there already */
function growing(
  before: Float32Array,
  skip: number,
): { readonly add: (value: number) => void; readonly all: () => Float32Array<ArrayBuffer> } {
  let values = new Float32Array(before.length + 4096);
  values.set(before);
  let used = before.length;
  let left = skip;
  return {
    add(value) {
      if (left > 0) {
        left--;
        return;
      }
      if (used === values.length) {
        const more = new Float32Array(used * 2);
        more.set(values);
        values = more;
      }
      values[used++] = value;
    },
    all: () => values.subarray(0, used),
  };
}

const nothing: HeardSoFar = { voice: new Float32Array(), loud: new Float32Array() };

/** @param before what was heard another time; the sound is then to be given from {@link goesOnFrom} on */
export function soundReader(weights: VoiceWeights, before: HeardSoFar = nothing): SoundReader {
  const likely = voiceNet(weights);
  const [sure, from] = [sureOf(before), goesOnFrom(before)];
  const kept = (values: Float32Array, step: number) =>
    growing(values.subarray(0, sure / step), (sure - from * 1000) / step);
  const [voice, loud] = [kept(before.voice, pieceMs), kept(before.loud, frameMs)];
  const piece = new Float32Array(pieceSize);
  let inPiece = 0;
  let inFrame = 0;
  let energy = 0;

  function take(samples: Float32Array): void {
    for (const sample of samples) {
      piece[inPiece++] = sample;
      if (inPiece === pieceSize) {
        voice.add(likely(piece));
        inPiece = 0;
      }
      energy += sample * sample;
      if (++inFrame === frameSize) {
        loud.add(10 * Math.log10(energy / frameSize + 1e-10));
        inFrame = energy = 0;
      }
    }
  }
  const sound = steadySound(voiceRate, take, from);
  return {
    push: sound.push,
    soFar: () => ({ voice: voice.all().slice(), loud: loud.all().slice() }),
    finish() {
      sound.finish();
      return regionsOf(voice.all(), loud.all());
    },
  };
}
