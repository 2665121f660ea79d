import type { ParseWarning } from '../warning.ts';
import fc from 'fast-check';
import { countedId, readAs, sheetOf, writeAs } from '../arbitrary.ts';
import { captionsArbitrary } from '../../model/arbitrary.ts';
import { caption } from '../../model/caption.ts';
import { withIds } from '../cue.ts';
import { Unreadable } from '../format.ts';
import { ctm, detectCtm, readCtm } from './ctm.ts';

// The layout is that of the NIST scoring tools' description of the ctm format: file, channel, start,
// duration, word, certainty; ";;" before comments; alternatives between <ALT_BEGIN>, <ALT>, <ALT_END>
// (from memory).
const sample = ';; a comment\nreel A 11.340 0.200 YES 0.763\nreel A 10.000 0.340 gate\n';

describe('CTM', () => {
  it('gives words in order of time, in milliseconds, certain where nothing is said', () => {
    expect(readCtm(sample)).toEqual([
      { text: 'gate', start: 10000, end: 10340, certainty: 1 },
      { text: 'YES', start: 11340, end: 11540, certainty: 0.763 },
    ]);
  });

  it('takes the first of several alternatives, and no word where a word may be missing', () => {
    const choice = [
      '7654 A * * <ALT_BEGIN>',
      '7654 A 12.00 0.34 UM',
      '7654 A * * <ALT>',
      '7654 A 12.00 0.34 UH',
      '7654 A * * <ALT_END>',
      '7654 A * * <ALT_BEGIN>',
      '7654 A 13.00 0.00 @',
      '7654 A * * <ALT>',
      '7654 A 13.00 0.34 WELL',
      '7654 A * * <ALT_END>',
      '7654 A 14.00 0.50 GATE',
    ].join('\n');
    const mended: ParseWarning[] = [];
    expect(detectCtm(choice)).toBeGreaterThan(0);
    expect(readCtm(choice, mended).map((w) => w.text)).toEqual(['UM', 'GATE']);
    expect(mended.map((m) => m.line)).toEqual([3, 8]);
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

  it('is written with every word at its time, shared by letters where none is known', () => {
    const text = writeAs(ctm, [caption({ id: 'a', start: 1000, end: 2000, text: 'one\nthree3' })], {
      title: 'Lock tour',
    });
    expect(text).toBe('Lock-tour 1 1.000 0.333 one 1.000\nLock-tour 1 1.333 0.667 three3 1.000\n');
  });

  it('brings every word and its time back', () => {
    fc.assert(
      fc.property(captionsArbitrary, (captions) => {
        const timed = captions.filter((c) => c.words.length > 0);
        fc.pre(timed.length > 0);
        const words = (of: readonly { readonly words: (typeof captions)[0]['words'] }[]) =>
          of.flatMap((c) => c.words.map((w) => [w[6], w[2], w[3], w[4]]));
        const file = ctm.writer?.write(sheetOf(timed), { positions: false, wordTimes: false, timeMarks: false }) ?? '';
        expect(words(withIds(readAs(ctm, file).captions, countedId))).toEqual(words(timed));
      }),
    );
  });
});
