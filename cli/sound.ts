/** The sound of recordings, a piece at a time. */
import { isRecordedRate, wavForm, wavSamples, wavStep, type WavForm } from '../core/audio/wav.ts';
import { CannotDo } from './arguments.ts';
import type { OpenFile, Terminal } from './terminal.ts';

/** So much of a file holds its header, and so much is read at a time, in bytes. */
const [headBytes, pieceBytes] = [65_536, 1 << 20];

/** A WAV file of plain 16-bit samples. */
export interface OpenSound {
  readonly form: WavForm;
  /** How many samples it has in each channel. */
  readonly many: number;
  /** In ms. */
  readonly length: number;
  /** As one channel. @param from in samples @param to in samples */
  readonly samplesAt: (from: number, to: number) => Float32Array;
  /** Goes through all of it. @param at in seconds */
  readonly eachPiece: (take: (samples: Float32Array, at: number) => void) => void;
}

/** @throws {CannotDo} where its header says what cannot be */
function soundIn(file: OpenFile, path: string): OpenSound | null {
  const form = wavForm(file.read(0, headBytes), file.size);
  if (!form) return null;
  if (!isRecordedRate(form.rate))
    throw new CannotDo(
      `${path} says that its rate is ${String(form.rate)} Hz, which no recording has: its header is damaged. Save it again as WAV.`,
    );
  const step = wavStep(form);
  const many = Math.floor(form.bytes / step);
  if (many === 0) throw new CannotDo(`${path} is a WAV file without any samples in it: there is nothing to hear.`);
  const samplesAt = (from: number, to: number): Float32Array =>
    wavSamples(file.read(form.at + from * step, Math.max(0, to - from) * step), form);
  return {
    form,
    many,
    length: Math.round((many / form.rate) * 1000),
    samplesAt,
    eachPiece(take) {
      const piece = Math.floor(pieceBytes / step);
      for (let at = 0; at < many; at += piece) take(samplesAt(at, Math.min(many, at + piece)), at / form.rate);
    },
  };
}

/**
 * Lends the sound of a recording until what is done with it is done.
 * @param use gives what is wanted, or the promise of it
 * @throws {CannotDo} where nothing here can read the sound
 */
export function withSound<T extends object>(terminal: Terminal, path: string, use: (sound: OpenSound) => T): T {
  const inFile = (file: OpenFile): T | null => {
    const sound = soundIn(file, path);
    return sound && use(sound);
  };
  const used = terminal.open(path, inFile) ?? terminal.asWav(path, inFile);
  if (used) return used;
  throw new CannotDo(
    `The sound of ${path} could not be read. WAV files of 16-bit samples are read by themselves, other kinds where ffmpeg is installed and knows them.`,
  );
}
