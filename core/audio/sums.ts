/** Sums of many weighted values, by a small WebAssembly program that takes four at a time (`voice-kernel.wat`). */
import { voiceKernel } from './voice-kernel.ts';

type Kernel = (weights: number, values: number, biases: number, into: number, rows: number, columns: number) => void;
const kernelBytes = Uint8Array.from(atob(voiceKernel), (letter) => letter.charCodeAt(0));
const page = 65_536;

/** A memory of its own, in which everything that is summed stands. */
export interface Sums {
  /** Numbers in the memory, in the order in which they are asked for. @param values what they are at first; zeros where it is left out */
  readonly place: (length: number, values?: Float32Array) => Float32Array;
  /**
   * Writes for each row its bias and the sum of its weights times the values.
   * @param weights as many rows of as many columns; both are multiples of four
   * @param from the first of the values that counts
   * @param at where the first sum is written
   */
  readonly say: (
    weights: Float32Array,
    values: Float32Array,
    from: number,
    biases: Float32Array,
    into: Float32Array,
    at: number,
    rows: number,
    columns: number,
  ) => void;
}

/** @param room how many numbers there is to be room for */
export function sums(room: number): Sums {
  const sound = new WebAssembly.Memory({ initial: Math.ceil((room * 4) / page) });
  const { exports } = new WebAssembly.Instance(new WebAssembly.Module(kernelBytes), { sound: { memory: sound } });
  const kernel = exports['say'] as Kernel;
  let used = 0;
  return {
    place(length, values) {
      const placed = new Float32Array(sound.buffer, used, length);
      if (values) placed.set(values);
      used += length * 4;
      return placed;
    },
    say: (weights, values, from, biases, into, at, rows, columns) =>
      kernel(
        weights.byteOffset,
        values.byteOffset + from * 4,
        biases.byteOffset,
        into.byteOffset + at * 4,
        rows,
        columns,
      ),
  };
}
