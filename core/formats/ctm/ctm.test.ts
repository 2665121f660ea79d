import { Unreadable } from '../format.ts';
import { detectCtm, readCtm } from './ctm.ts';

// The layout is that of the NIST scoring tools: file, channel, start, duration, word, certainty.
const sample = ';; a comment\nreel A 11.340 0.200 YES 0.763\nreel A 10.000 0.340 gate\n';

describe('CTM', () => {
  it('gives words in order of time, in milliseconds, certain where nothing is said', () => {
    expect(readCtm(sample)).toEqual([
      { text: 'gate', start: 10000, end: 10340, certainty: 1 },
      { text: 'YES', start: 11340, end: 11540, certainty: 0.763 },
    ]);
  });

  it('is recognised by its shape', () => {
    expect(detectCtm(sample)).toBeGreaterThan(0);
    expect(detectCtm('WEBVTT\n')).toBe(0);
    expect(detectCtm('')).toBe(0);
  });

  it('names the line that is no word', () => {
    expect(() => readCtm('reel A 1 2 yes\nreel A yes')).toThrow(Unreadable);
    expect(() => readCtm('reel A 1 2 yes\nreel A yes')).toThrow('Line 2');
  });
});
