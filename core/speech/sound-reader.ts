/** Hears a recording through, piece by piece, and says where speech and sound are in it. */
import { frameMs, regionsOf, type Regions } from './regions.ts';
import { resampler, type Resampler } from './resample.ts';
import { pieceSize, voiceNet, voiceRate, type VoiceWeights } from './voice-net.ts';

/** Samples of a frame whose loudness is told. */
const frameSize = (frameMs / 1000) * voiceRate;
/** Times that are written into a recording are off by as much; more, and something is missing or said twice. In seconds. */
const tolerance = 0.005;
/** Silence is heard through in steps of so many seconds. */
const silenceStep = 10;

export interface SoundReader {
  /**
   * Takes the next samples of all channels as one, -1 to 1, in order of time. Where something is missing it counts as
   * silence; what was there before is passed over.
   * @param start of the first, in seconds @param rate samples in a second
   */
  readonly push: (samples: Float32Array, start: number, rate: number) => void;
  readonly finish: () => Regions;
}

/** Values one after another, as many as come. */
function growing(): { readonly add: (value: number) => void; readonly all: () => Float32Array } {
  let values = new Float32Array(4096);
  let used = 0;
  return {
    add(value) {
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

export function soundReader(weights: VoiceWeights): SoundReader {
  const likely = voiceNet(weights);
  const [voice, loud] = [growing(), growing()];
  const piece = new Float32Array(pieceSize);
  let inPiece = 0;
  let inFrame = 0;
  let energy = 0;
  let rateNow = 0;
  let down: Resampler | null = null;
  /** Seconds heard so far. */
  let heard = 0;

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
  function hear(samples: Float32Array): void {
    heard += samples.length / rateNow;
    take(down ? down.push(samples) : samples);
  }
  return {
    push(samples, start, rate) {
      if (rate !== rateNow) {
        if (down) take(down.finish());
        rateNow = rate;
        down = rate === voiceRate ? null : resampler(rate, voiceRate);
      }
      for (let missing = start - heard; missing > tolerance; missing = start - heard)
        hear(new Float32Array(Math.max(1, Math.round(Math.min(missing, silenceStep) * rate))));
      const twice = heard - start;
      hear(twice > tolerance ? samples.subarray(Math.round(twice * rate)) : samples);
    },
    finish() {
      if (down) take(down.finish());
      return regionsOf(voice.all(), loud.all());
    },
  };
}
