import { wavForm, wavSamples } from './wav.ts';

/** A WAV file with parts before its samples that say nothing of them. */
function wav({
  channels = 1,
  kind = 1,
  bits = 16,
  rate = 16_000,
  samples = [0, 16_384, -32_768],
  extra = false,
} = {}): Uint8Array {
  const list = extra ? 8 + 6 : 0;
  const bytes = new Uint8Array(44 + list + samples.length * 2);
  const view = new DataView(bytes.buffer);
  const name = (at: number, text: string): void => bytes.set(new TextEncoder().encode(text), at);
  name(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  name(8, 'WAVE');
  name(12, 'fmt ');
  view.setUint32(16, 16, true);
  [kind, channels].forEach((v, i) => view.setUint16(20 + i * 2, v, true));
  view.setUint32(24, rate, true);
  view.setUint16(34, bits, true);
  if (extra) {
    name(36, 'LIST');
    view.setUint32(40, 5, true);
  }
  name(36 + list, 'data');
  view.setUint32(40 + list, samples.length * 2, true);
  samples.forEach((v, i) => view.setInt16(44 + list + i * 2, v, true));
  return bytes;
}

it('finds the samples, behind parts of odd length too', () => {
  for (const bytes of [wav(), wav({ extra: true })]) {
    const form = wavForm(bytes, bytes.length);
    expect(form).toMatchObject({ rate: 16_000, channels: 1, bytes: 6 });
    expect([...wavSamples(bytes.subarray(form?.at), { channels: 1 })]).toEqual([0, 0.5, -1]);
  }
});

it('makes one channel of several', () =>
  expect([...wavSamples(new Uint8Array(Int16Array.of(16_384, 0, -16_384, 16_384).buffer), { channels: 2 })]).toEqual([
    0.25, 0,
  ]));

it('takes a file that was cut for as long as it is', () => {
  const bytes = wav().subarray(0, 48);
  expect(wavForm(bytes, bytes.length)?.bytes).toBe(4);
});

it('takes a file that does not say how long it is for as long as it is', () => {
  const bytes = wav();
  new DataView(bytes.buffer).setUint32(40, 0, true);
  expect(wavForm(bytes, bytes.length)?.bytes).toBe(6);
});

it.each([
  ['other files', new TextEncoder().encode('WEBVTT and more')],
  ['nothing', new Uint8Array()],
  ['samples of 24 bits', wav({ bits: 24 })],
  ['compressed samples', wav({ kind: 85 })],
  ['no channels', wav({ channels: 0 })],
])('is none of %s', (_, bytes) => expect(wavForm(bytes, bytes.length)).toBeNull());
