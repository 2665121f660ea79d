/**
 * Reads the sound of a recording piece by piece, so that never more than a moment of it is in memory. It is decoded
 * here and heard for speech in a worker of its own, so that two processors are used where there are two.
 */
import { ALL_FORMATS, AudioSampleSink, Input, UrlSource } from 'mediabunny';
import { coversRecording } from '../../../core/audio/covers.ts';
import { peakReader, peaksPerSecond } from '../../../core/audio/peaks.ts';
import type { Regions } from '../../../core/audio/regions.ts';
import { goesOnFrom, type HeardSoFar } from '../../../core/audio/sound-reader.ts';
import { workerClient, type WorkerClient } from '../../data/workers/worker-client.ts';
import { halfRead, keepHalfRead } from './half-read.ts';
import { mixed } from './mixed.ts';
import { soundTrack, SoundTrouble } from './sound-track.ts';
import type { VoiceAnswer, VoiceQuestion } from './voice-worker.ts';

export interface WholeRequest {
  readonly url: string;
  /** Which of its sound tracks, from 0. */
  readonly track: number;
  /** In ms, as far as it is known. */
  readonly length: number;
  /** What is read of it is kept under this name until somebody forgets it. */
  readonly name: string;
}
/** What is heard in a recording. */
export interface ReadSoundResult {
  /** How loud it is along its length; empty where it has no sound. */
  readonly peaks: Uint8Array<ArrayBuffer>;
  readonly regions: Regions;
  /** How far it could be read, in ms, where that is not to its end. */
  readonly until: number | null;
}
/** How far reading is: the share, and how loud it is from the end of the last one on. */
export interface ReadSoFar {
  readonly share: number;
  readonly from: number;
  readonly cells: Uint8Array<ArrayBuffer>;
}
const silent: ReadSoundResult = { peaks: new Uint8Array(), regions: { speech: [], sound: [] }, until: null };

/** Sound goes to the listener in batches of so many seconds, and so many of them may be on their way. */
const [batch, onTheWay] = [2, 15];
/** What is read is kept so often, in ms. */
const keptEvery = 4000;

/** Gathers samples that follow one another and gives them to the listener, no faster than it hears. */
function listening(voice: WorkerClient<VoiceQuestion, VoiceAnswer>) {
  let gathered: Float32Array<ArrayBuffer>[] = [];
  let [start, rate, many] = [0, 0, 0];
  const sent: Promise<unknown>[] = [];
  async function flush(): Promise<void> {
    if (many === 0) return;
    const samples = new Float32Array(many);
    let at = 0;
    for (const each of gathered) {
      samples.set(each, at);
      at += each.length;
    }
    [gathered, many] = [[], 0];
    sent.push(voice.ask({ samples, start, rate }, { transfer: [samples.buffer] }));
    if (sent.length > onTheWay) await sent.shift();
  }
  return {
    flush,
    async push(samples: Float32Array<ArrayBuffer>, at: number, of: number): Promise<void> {
      const follows = of === rate && Math.abs(at - (start + many / rate)) < 1 / rate;
      if (many > 0 && (!follows || many >= batch * rate)) await flush();
      if (many === 0) [start, rate] = [at, of];
      gathered.push(samples);
      many += samples.length;
    },
  };
}

/** How loud it is to the end of a recording: where its sound ends before its picture, the rest is silence. */
function reachingTo(length: number, cells: Uint8Array): Uint8Array<ArrayBuffer> {
  const whole = new Uint8Array(Math.max(cells.length, Math.floor((length / 1000) * peaksPerSecond)));
  whole.set(cells);
  return whole;
}

/** Reads a recording through, from where that was left another time. @throws {SoundTrouble} */
export async function readSound(
  { url, track: nth, length, name }: WholeRequest,
  progress: (soFar: ReadSoFar) => void,
): Promise<ReadSoundResult> {
  const input = new Input({ source: new UrlSource(url), formats: ALL_FORMATS });
  const voice = workerClient<VoiceQuestion, VoiceAnswer>(
    () => new Worker(new URL('./voice-worker.ts', import.meta.url), { type: 'module' }),
  );
  try {
    const track = await soundTrack(input, nth);
    if (!track) return silent;
    const before = await halfRead(name);
    const peaks = peakReader(length, before?.cells);
    await voice.ask({ begin: before });
    const listener = listening(voice);
    let told = 0;
    let kept = performance.now();
    const tell = (share: number): void => {
      const cells = peaks.peaks().slice(told);
      progress({ share, from: told, cells });
      told += Math.max(0, cells.length - 1);
    };
    async function keep(): Promise<void> {
      const cells = peaks.peaks().slice();
      await keepHalfRead(name, { ...((await voice.ask('so far')) as HeardSoFar), cells });
    }
    let isCut = false;
    try {
      let share = 0;
      for await (const sample of new AudioSampleSink(track).samples(before ? goesOnFrom(before) : undefined)) {
        const { timestamp, sampleRate } = sample;
        const mix = mixed(sample, (channel) => peaks.push(channel, timestamp, sampleRate));
        sample.close();
        await listener.push(mix as Float32Array<ArrayBuffer>, timestamp, sampleRate);
        const now = length > 0 ? Math.min(1, (timestamp * 1000) / length) : 0;
        if (now - share >= 0.01) tell((share = now));
        if (performance.now() - kept >= keptEvery) {
          await keep();
          kept = performance.now();
        }
      }
    } catch {
      isCut = true;
    }
    if (peaks.peaks().length === 0)
      throw new SoundTrouble('The sound of this recording could not be read. Timing works without it.');
    await listener.flush();
    const read = peaks.peaks();
    const until = (read.length * 1000) / peaksPerSecond;
    if (isCut && !coversRecording(until, length > 0 ? length : null)) {
      await keep();
      return { peaks: read.slice(), regions: (await voice.ask('finish')) as Regions, until };
    }
    const regions = (await voice.ask('finish')) as Regions;
    return { peaks: reachingTo(length, read), regions, until: null };
  } finally {
    voice.end();
    input.dispose();
  }
}
