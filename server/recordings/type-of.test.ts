import { readFileSync } from 'node:fs';
import { typeOfRecording } from './type-of.ts';

const bytes = (...parts: (string | number[])[]): Buffer =>
  Buffer.concat(parts.map((p) => (typeof p === 'string' ? Buffer.from(p, 'latin1') : Buffer.from(p))));

// Signatures as their specifications give them: EBML (RFC 8794), ISO 14496-12, RFC 3533, RIFF, RFC 9639; MPEG audio from memory.
describe('typeOfRecording', () => {
  it.each<[string | null, Buffer]>([
    ['video/webm', bytes([0x1a, 0x45, 0xdf, 0xa3], '....webm')],
    ['video/x-matroska', bytes([0x1a, 0x45, 0xdf, 0xa3], '....matroska')],
    ['video/mp4', bytes([0, 0, 0, 32], 'ftypisom')],
    ['audio/mp4', bytes([0, 0, 0, 32], 'ftypM4A ')],
    ['video/quicktime', bytes([0, 0, 0, 32], 'ftypqt  ')],
    ['audio/ogg', bytes('OggS', [0, 2])],
    ['audio/wav', bytes('RIFF', [1, 2, 3, 4], 'WAVEfmt ')],
    ['audio/flac', bytes('fLaC')],
    ['audio/mpeg', bytes('ID3', [4, 0])],
    ['audio/mpeg', bytes([0xff, 0xfb, 0x90, 0])],
    ['audio/aac', bytes([0xff, 0xf1, 0x50, 0])],
    [null, bytes('<!doctype html>')],
    [null, bytes([0x89], 'PNG')],
    [null, bytes('RIFF', [1, 2, 3, 4], 'AVI ')],
    [null, bytes()],
  ])('%s', (type, head) => expect(typeOfRecording(head)).toBe(type));

  it('knows the demo recording', () => {
    expect(typeOfRecording(readFileSync('demo/recordings/lock-after-dark/recording.webm').subarray(0, 4096))).toBe(
      'video/webm',
    );
  });
});
