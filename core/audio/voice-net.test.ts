import { readFileSync } from 'node:fs';
import { pieceSize, voiceNet, voiceWeights } from './voice-net.ts';
import { wavForm, wavSamples } from './wav.ts';

const file = (path: string): Uint8Array<ArrayBuffer> => new Uint8Array(readFileSync(path));
const weights = voiceWeights(file('core/audio/voice-net.bin').buffer);
const wav = file('fixtures/speech/night-school.wav');

/**
 * What the published network says of every piece of this sound: silero_vad_v6.onnx (package @ricky0123/vad-web 0.0.31)
 * run by onnxruntime-node 1.30.0.
 */
const published = JSON.parse(readFileSync('fixtures/speech/night-school.voice.json', 'utf8')) as number[];

it('says what the published network says, within what weights of 16 bits cost', () => {
  const form = wavForm(wav, wav.length);
  if (!form) throw new Error('This is a WAV file.');
  const samples = wavSamples(wav.subarray(form.at), form);
  const likely = voiceNet(weights);
  const said = published.map((_, i) => likely(samples.subarray(i * pieceSize, (i + 1) * pieceSize)));
  const apart = said.map((each, i) => Math.abs(each - (published[i] ?? NaN)));
  expect(published.filter((p) => p > 0.5).length).toBeGreaterThan(100);
  expect(Math.max(...apart)).toBeLessThan(0.003);
});

it('remembers nothing of another sound', () => {
  const piece = Float32Array.from({ length: pieceSize }, (_, i) => Math.sin(i / 9) * 0.4);
  const first = voiceNet(weights);
  const once = first(piece);
  expect(first(piece)).not.toBe(once);
  expect(voiceNet(weights)(piece)).toBe(once);
});

it('refuses other bytes', () => expect(() => voiceWeights(new ArrayBuffer(450_572))).toThrow(RangeError));
