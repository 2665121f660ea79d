import { Ajv } from 'ajv';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { readAs, sheetOf, tracks, writeAs } from '../arbitrary.ts';
import { captionsArbitrary } from '../../model/arbitrary.ts';
import { trackFile } from './track-file.ts';

const validate = new Ajv().compile(JSON.parse(readFileSync('docs/track-file.schema.json', 'utf8')) as object);
const withoutIds = (captions: readonly { readonly id: string }[]) => captions.map(({ id: _, ...rest }) => rest);

describe('the track file', () => {
  it('gives everything back, and is what its documented schema says', () => {
    for (const arbitrary of [captionsArbitrary, tracks({ marks: ['italic', 'ruby', 'class'], speakers: true })])
      fc.assert(
        fc.property(arbitrary, (captions) => {
          const file = writeAs(trackFile, captions, { foreign: { vttTitle: 'x' } });
          expect([validate(JSON.parse(file)), validate.errors]).toEqual([true, null]);
          const { language, foreign, captions: back } = readAs(trackFile, file);
          expect([language, foreign, back]).toEqual(['en-GB', { vttTitle: 'x' }, withoutIds(captions)]);
        }),
        { numRuns: 30 },
      );
    expect(trackFile.writer?.losses(sheetOf([]), { positions: false, wordTimes: false, timeMarks: false })).toEqual([]);
  });

  const good = { fenwix: 'track', version: 1, title: '', language: null, foreign: null, captions: [] as unknown[] };
  it.each<[string, unknown, string]>([
    ['a later version', { ...good, version: 2 }, 'which a later Fenwix wrote'],
    ['no version', { ...good, version: undefined }, 'version: expected 1.'],
    ['another file', { ...good, fenwix: 'style' }, 'not a track file of Fenwix'],
    ['no captions', { ...good, captions: {} }, 'captions: expected a list.'],
    [
      'a broken caption',
      { ...good, captions: [{ id: 'a', text: 'x', start: 2, end: 1 }] },
      'captions[0]: expected an end at or after',
    ],
  ])('refuses %s by name', (_, file, says) => {
    expect(() => readAs(trackFile, JSON.stringify(file))).toThrow(says);
  });

  it('refuses a file that was cut', () => {
    expect(() => readAs(trackFile, '{"fenwix":"track","version":1,"captions":[{')).toThrow(
      'This track file is incomplete',
    );
  });
});
