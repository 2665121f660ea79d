import { plainly, type Sheet, type WriteOptions } from './sheet.ts';
import { caption, type Caption, type Mark } from '../model/caption.ts';
import { sheetOf } from './arbitrary.ts';
import { lossInWords } from './loss.ts';
import { formatNamed } from './registry.ts';

const mark = (kind: Mark['kind'], value = ''): Mark => ({ from: 0, to: 3, kind, value });
const rich: Caption[] = [
  caption({
    id: 'a',
    start: 0,
    end: 1000,
    text: 'The gate\n\nis <i>shut',
    marks: [mark('italic'), mark('colour', 'red'), mark('language', 'cy'), mark('class', 'far')],
    speakers: [{ from: 0, to: 8, speaker: 'Keeper', label: 0 }],
    words: [
      [0, 3, 0, 400, 0.6, 'recogniser', 'the'],
      [4, 8, 500, 900, 0.9, 'recogniser', 'gate'],
    ],
    placement: 8,
    foreign: { vttId: 'a', vttSettings: 'align:end', srtCoordinates: 'X1:1' },
  }),
  caption({ id: 'b', start: 2000, end: 2000, text: 'no time', timing: 'provisional' }),
  caption({ id: 'c', start: 3000, end: 4000, text: '' }),
];

const losses = (format: string, sheet: Sheet = sheetOf(rich), options: Partial<WriteOptions> = {}) =>
  Object.fromEntries(
    formatNamed(format)
      ?.writer?.losses(sheet, { ...plainly, ...options })
      .map((l) => [l.what, l.count]) ?? [],
  );

describe('what a format cannot hold is counted before it is written', () => {
  it('SRT', () => {
    expect(losses('srt')).toEqual({
      'blank-lines': 1,
      language: 1,
      class: 1,
      speaker: 1,
      placement: 1,
      'word-times': 1,
      certainty: 1,
      identifier: 1,
      settings: 1,
      'look-alike': 1,
      provisional: 1,
      empty: 1,
    });
    expect(losses('srt', sheetOf(rich), { positions: true })).not.toHaveProperty('placement');
  });

  it('WebVTT', () => {
    expect(losses('vtt')).toEqual({
      'blank-lines': 1,
      placement: 1,
      'word-times': 1,
      certainty: 1,
      coordinates: 1,
      'no-duration': 1,
      empty: 1,
    });
    expect(losses('vtt', sheetOf(rich), { wordTimes: true })).not.toHaveProperty('word-times');
  });

  it('TTML', () => {
    expect(losses('ttml')).toEqual({
      class: 1,
      placement: 1,
      'word-times': 1,
      certainty: 1,
      identifier: 1,
      settings: 1,
      coordinates: 1,
      provisional: 1,
      empty: 1,
    });
  });

  it('CTM and transcripts lose the captions and keep the words', () => {
    expect(losses('ctm')).toMatchObject({ times: 3, breaks: 2, italic: 1, speaker: 1 });
    expect(losses('ctm')).not.toHaveProperty('certainty');
    expect(losses('txt')).toMatchObject({ times: 3, 'word-times': 1, italic: 1 });
    expect(losses('txt')).not.toHaveProperty('speaker');
    expect(losses('html')).not.toHaveProperty('italic');
  });

  it('a track file loses nothing', () => expect(losses('json')).toEqual({}));

  it('and what stands in the head of the file', () => {
    const sheet = sheetOf([], { foreign: { vttBlocks: 'STYLE\nx', vttTitle: 'y' } });
    expect([losses('srt', sheet), losses('vtt', sheet)]).toEqual([{ file: 2 }, {}]);
  });

  it('in words', () => {
    const found =
      formatNamed('srt')?.writer?.losses(sheetOf([...rich.slice(0, 1), ...rich.slice(0, 1)]), plainly) ?? [];
    expect(lossInWords(found)).toContain('2 changes of language, 2 style classes, 2 speakers’ names');
    expect(lossInWords([])).toBe('nothing');
  });
});
