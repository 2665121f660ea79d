/**
 * How likely a piece of sound holds a voice: the network of Silero VAD, version 6 (see NOTICE), written out for the one
 * use it has here, 16 kHz and one voice after another. What it says was checked against the published network run by a
 * general runtime on the same sound (`voice-net.test.ts`).
 */
import { bins, spectra } from './spectrum.ts';
import { sums } from './sums.ts';

/** Samples in a second, of the sound it is given. */
export const voiceRate = 16_000;
/** Samples in a piece; it is 32 ms long. */
export const pieceSize = 512;
/** So many samples before a piece are heard with it. */
const context = 64;
/** Frames of a piece, which begin this many samples apart. */
const [frames, apart] = [4, 128];
/** Values that one step of the network gives the next. */
const width = 128;
/** Numbers beside the weights, at the most. */
const spare = 16_384;
/** Rows and columns of the layers, in the order of the file. */
const shapes = [
  [width, 3 * bins],
  [64, 3 * width],
  [64, 2 * 64],
  [width, 64],
  [4 * width, 2 * width],
  [1, width],
] as const;

/** Rows of weights, as many columns in each as the kernel takes at a time, and a bias for each. */
interface Layer {
  readonly rows: number;
  readonly columns: number;
  readonly biases: Float32Array;
  readonly weights: Float32Array;
}
export type VoiceWeights = readonly Layer[];

/** Reads the file `voice-net.bin` (its making says how it is laid out). @throws {RangeError} where the bytes are others */
export function voiceWeights(bytes: ArrayBuffer): VoiceWeights {
  let at = 0;
  const layers = shapes.map(([rows, told]): Layer => {
    const columns = Math.ceil(told / 4) * 4;
    const biases = new Float32Array(bytes, at, rows);
    const scales = new Float32Array(bytes, at + rows * 4, rows);
    const cells = new Int16Array(bytes, at + rows * 8, rows * told);
    at += rows * 8 + rows * told * 2;
    const weights = new Float32Array(rows * columns);
    for (let row = 0; row < rows; row++)
      for (let column = 0; column < told; column++)
        weights[row * columns + column] = (cells[row * told + column] ?? 0) * (scales[row] ?? 0);
    return { rows, columns, biases, weights };
  });
  if (at !== bytes.byteLength) throw new RangeError('These bytes are not the weights of the network.');
  return layers;
}

const sigmoid = (x: number): number => 1 / (1 + Math.exp(-x));
function rectify(values: Float32Array): void {
  for (let i = 0; i < values.length; i++) values[i] = Math.max(0, values[i] ?? 0);
}

/** Says of one piece after another how likely it holds a voice, 0 to 1. It remembers what came before. */
export type VoiceNet = (piece: Float32Array) => number;

/**
 * The network that tells voices from other sound.
 * @throws {RangeError} where a layer is missing
 */
export function voiceNet(layers: VoiceWeights): VoiceNet {
  const [first, second, third, fourth, memory, last] = layers;
  if (!first || !second || !third || !fourth || !memory || !last) throw new RangeError('The network lacks a layer.');
  // One memory holds the weights, then what the layers say.
  const room = layers.reduce((sum, { biases, weights }) => sum + biases.length + weights.length, 0) + spare;
  const { place, say } = sums(room);
  const prepared = (layer: Layer): ((values: Float32Array, from: number, into: Float32Array, at: number) => void) => {
    const { rows, columns } = layer;
    const weights = place(layer.weights.length, layer.weights);
    const biases = place(rows, layer.biases);
    return (values, from, into, at) => say(weights, values, from, biases, into, at, rows, columns);
  };
  const [one, two, three, four, gate] = [first, second, third, fourth, memory].map(prepared);
  if (!one || !two || !three || !four || !gate) throw new RangeError('The network lacks a layer.');

  const samples = new Float32Array(context + pieceSize + context);
  // A row of zeros stands before and after, where a layer looks past the piece; a last one fills up columns.
  const pitches = place((frames + 2) * bins + 6);
  const [ones, twos, threes] = [place((frames + 2) * width), place(2 * 64), place(64)];
  /** What the piece says, and after it what is remembered. */
  const heard = place(2 * width);
  const gates = place(4 * width);
  const cell = new Float32Array(width);

  return (piece) => {
    samples.copyWithin(0, pieceSize, pieceSize + context);
    samples.set(piece, context);
    const end = context + pieceSize;
    // The sound goes on as its own mirror image.
    for (let i = 0; i < context; i++) samples[end + i] = samples[end - 2 - i] ?? 0;
    for (let f = 0; f < frames; f += 2) spectra(samples, f * apart, (f + 1) * apart, pitches, (f + 1) * bins);

    for (let f = 0; f < frames; f++) one(pitches, f * bins, ones, (f + 1) * width);
    rectify(ones);
    for (let f = 0; f < 2; f++) two(ones, f * 2 * width, twos, f * 64);
    rectify(twos);
    three(twos, 0, threes, 0);
    rectify(threes);
    four(threes, 0, heard, 0);
    for (let i = 0; i < width; i++) heard[i] = Math.max(0, heard[i] ?? 0);
    gate(heard, 0, gates, 0);
    let sum = last.biases[0] ?? 0;
    for (let i = 0; i < width; i++) {
      const enter = sigmoid(gates[i] ?? 0);
      const keep = sigmoid(gates[width + i] ?? 0);
      const news = Math.tanh(gates[2 * width + i] ?? 0);
      const leave = sigmoid(gates[3 * width + i] ?? 0);
      const value = keep * (cell[i] ?? 0) + enter * news;
      const told = leave * Math.tanh(value);
      cell[i] = value;
      heard[width + i] = told;
      sum += (last.weights[i] ?? 0) * Math.max(0, told);
    }
    return sigmoid(sum);
  };
}
