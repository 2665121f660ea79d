// @ts-check
/**
 * Makes core/audio/voice-net.bin, the weights that `voice-net.ts` reads, from the published network.
 * @example node scripts/make-voice-net.mjs silero_vad_v6.onnx
 *
 * Layers stand one after another, each: a bias for every row, a scale for every row (32-bit floats), then the rows as
 * 16-bit whole numbers, which times the scale of their row are the weights. Little-endian throughout. What a kernel
 * would say of the padding around a piece of sound is left out.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { argv } from 'node:process';
import { join } from 'node:path';
import { root } from './setup.mjs';

/** A field of a protocol buffer message: its number, and a whole number or the bytes it holds. @typedef {[number, number | Buffer]} Field */

/** @param {Buffer} bytes @returns {Field[]} */
function fieldsOf(bytes) {
  /** @type {Field[]} */
  const fields = [];
  let at = 0;
  const varint = () => {
    let value = 0;
    for (let scale = 1; ; scale *= 128) {
      const byte = bytes[at++] ?? 0;
      value += (byte & 127) * scale;
      if (byte < 128) return value;
    }
  };
  while (at < bytes.length) {
    const key = varint();
    const kind = key & 7;
    if (kind === 0) fields.push([key >> 3, varint()]);
    else {
      const length = kind === 1 ? 8 : kind === 5 ? 4 : varint();
      fields.push([key >> 3, bytes.subarray(at, at + length)]);
      at += length;
    }
  }
  return fields;
}
/** @param {Buffer} bytes @param {number} number @returns {Buffer[]} */
const messages = (bytes, number) =>
  fieldsOf(bytes).flatMap(([n, value]) => (n === number && typeof value !== 'number' ? [value] : []));

/** The weights of the branch for 16 kHz, by name. @type {Map<string, Float32Array>} */
const weights = new Map();
/** @param {Buffer} graph */
function gather(graph) {
  for (const node of messages(graph, 1))
    for (const attribute of messages(node, 5)) {
      for (const tensor of messages(attribute, 5)) {
        const [name] = messages(tensor, 8);
        const [raw] = messages(tensor, 9);
        if (name && raw && raw.length % 4 === 0)
          weights.set(String(name), new Float32Array(new Uint8Array(raw).buffer));
      }
      if (String(messages(attribute, 1)[0]) === 'then_branch')
        for (const branch of messages(attribute, 6)) gather(branch);
    }
}
for (const graph of messages(readFileSync(argv[2] ?? ''), 7)) gather(graph);

/** @param {string} name @returns {Float32Array} */
function weightsOf(name) {
  const found = weights.get(name);
  if (!found) throw new Error(`The network has no ${name}.`);
  return found;
}

/** @type {Buffer[]} */
const parts = [];
/** @param {number} rows @param {number} columns @param {(row: number) => number} bias @param {(row: number, column: number) => number} weight */
function layer(rows, columns, bias, weight) {
  const biases = Float32Array.from({ length: rows }, (_, r) => bias(r));
  const scales = new Float32Array(rows);
  const cells = new Int16Array(rows * columns);
  for (let r = 0; r < rows; r++) {
    const row = Float32Array.from({ length: columns }, (_, c) => weight(r, c));
    const scale = Math.max(...row.map(Math.abs)) / 32767 || 1;
    scales[r] = scale;
    row.forEach((value, c) => (cells[r * columns + c] = Math.round(value / scale)));
  }
  for (const part of [biases, scales, cells]) parts.push(Buffer.from(part.buffer));
}
/** A convolution of three taps as a layer over the taps that are used, one after another. */
for (const [n, [rows, channels, taps]] of /** @type {const} */ ([
  [128, 129, [0, 1, 2]],
  [64, 128, [0, 1, 2]],
  [64, 64, [1, 2]],
  [128, 64, [1]],
]).entries()) {
  const kernel = weightsOf(`encoder.${n}.reparam_conv.weight`);
  const bias = weightsOf(`encoder.${n}.reparam_conv.bias`);
  layer(
    rows,
    channels * taps.length,
    (r) => bias[r] ?? 0,
    (r, c) => kernel[(r * channels + (c % channels)) * 3 + (taps[Math.floor(c / channels)] ?? 0)] ?? 0,
  );
}
const [fromInput, fromState] = [weightsOf('decoder.rnn.weight_ih'), weightsOf('decoder.rnn.weight_hh')];
const [inputBias, stateBias] = [weightsOf('decoder.rnn.bias_ih'), weightsOf('decoder.rnn.bias_hh')];
layer(
  512,
  256,
  (r) => (inputBias[r] ?? 0) + (stateBias[r] ?? 0),
  (r, c) => (c < 128 ? fromInput[r * 128 + c] : fromState[r * 128 + c - 128]) ?? 0,
);
const [out, outBias] = [weightsOf('decoder.decoder.2.weight'), weightsOf('decoder.decoder.2.bias')];
layer(
  1,
  128,
  () => outBias[0] ?? 0,
  (_, c) => out[c] ?? 0,
);
writeFileSync(join(root, 'core/audio/voice-net.bin'), Buffer.concat(parts));
