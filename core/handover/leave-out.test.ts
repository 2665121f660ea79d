import fc from 'fast-check';
import { captionsArbitrary } from '../model/arbitrary.ts';
import { caption, type Caption } from '../model/caption.ts';
import { soundNotes } from '../text/sound-notes.ts';
import { captionsFor, leaveOut, nothingLeftOut, timesMadeUp } from './leave-out.ts';

const texts = (of: readonly Caption[]): string[] => of.map((c) => c.text);
const made = (...of: string[]): Caption[] =>
  of.map((text, i) => caption({ id: String(i), start: i * 2000, end: i * 2000 + 1000, text }));

const both = { soundNotes: true, labels: true };

describe('sound notes', () => {
  it.each<[string, string[]]>([
    ['[gate creaks]', []],
    ['[gate\ncreaks]', []],
    ['(gate creaks)', []],
    ['♪ ♪', []],
    ['[bell] Mind the edge.', ['Mind the edge.']],
    ['Mind [bell] the edge.', ['Mind the edge.']],
    ['Mind the edge.\n[bell]', ['Mind the edge.']],
    ['Two (or three) boats', ['Two (or three) boats']],
    ['♪ row, row ♪', ['♪ row, row ♪']],
    ['[never closed', ['[never closed']],
  ])('%j', (text, left) => expect(texts(leaveOut(made(text), { soundNotes: true, labels: false }))).toEqual(left));

  it('are found where they stand', () => {
    expect(soundNotes('a [b] c [d]')).toEqual([
      { from: 2, to: 5 },
      { from: 8, to: 11 },
    ]);
  });
});

describe('speaker labels', () => {
  it.each<[string, string[]]>([
    ['KEEPER: Mind the edge.', ['Mind the edge.']],
    ['MRS O’DELL: Yes.\n- KEEPER: No.', ['Yes.\n- No.']],
    ['Remember: the bell.', ['Remember: the bell.']],
    ['At 10:30 it opens', ['At 10:30 it opens']],
  ])('%j', (text, left) => expect(texts(leaveOut(made(text), { soundNotes: false, labels: true }))).toEqual(left));

  it('of speakers the track knows go however they are written', () => {
    const known = caption({
      id: 'k',
      start: 0,
      end: 1,
      text: 'Keeper: Yes.',
      speakers: [{ from: 0, to: 12, speaker: 'Keeper', label: 8 }],
    });
    expect(texts(leaveOut([known, ...made('Keeper: No.', '[bell]')], both))).toEqual(['Yes.', 'No.']);
  });
});

it('what is left keeps its marks and word times, and nothing else is touched', () => {
  const c = caption({
    id: 'a',
    start: 0,
    end: 2000,
    text: '[bell] KEEPER: Mind it',
    marks: [{ from: 15, to: 19, kind: 'italic', value: '' }],
    words: [[15, 19, 500, 900, 1, 'recogniser', 'mind']],
  });
  expect(leaveOut([c], { soundNotes: true, labels: false })[0]).toMatchObject({
    text: 'KEEPER: Mind it',
    marks: [{ from: 8, to: 12 }],
    words: [[8, 12, 500, 900, 1, 'recogniser', 'mind']],
  });
  fc.assert(fc.property(captionsArbitrary, (captions) => expect(leaveOut(captions, both)).toEqual(captions)));
});

describe('captions that are not timed', () => {
  const set = caption({ id: 'set', start: 0, end: 1000, text: 'The gate opens.' });
  const loose = {
    ...caption({ id: 'loose', start: 1000, end: 2000, text: 'The boat goes in.' }),
    timing: 'provisional' as const,
  };
  const both = [set, loose];

  it.each(['srt', 'vtt', 'ttml'] as const)(
    'are left out of %s, unless somebody wants their made-up times',
    (format) => {
      expect(captionsFor(both, format, nothingLeftOut)).toEqual([set]);
      expect(captionsFor(both, format, { ...nothingLeftOut, untimed: false })).toEqual(both);
      expect(timesMadeUp(both, format)).toEqual([loose]);
    },
  );

  it.each(['txt', 'html', 'json'] as const)(
    'stay in %s, which has no times or says that they are not set',
    (format) => {
      expect(captionsFor(both, format, nothingLeftOut)).toEqual(both);
      expect(timesMadeUp(both, format)).toEqual([]);
    },
  );
});
