import '../../globals-for-tests.ts';
import { caption } from '../../../core/model/caption.ts';
import { emptyLike } from './made-tracks.ts';

it('a track in another language has the times of the first, and nothing else of it', () => {
  const one = caption({ id: 'one', start: 1000, end: 2000, text: 'The gate opens.', placement: 8, proofed: true });
  const two = { ...caption({ id: 'two', start: 2000, end: 2001, text: 'Later.' }), timing: 'provisional' as const };
  const made = emptyLike({ captions: [one, two] }, { name: 'Welsh subtitles', language: 'cy' });
  expect(made).toMatchObject({ kind: 'subtitles', language: 'cy', foreign: null });
  expect(made.captions.map(({ id: _id, ...rest }) => rest)).toEqual(
    [
      { start: 1000, end: 2000, placement: 8 as const },
      { start: 2000, end: 2001, timing: 'provisional' as const },
    ].map((times) => {
      const { id: _id, ...rest } = caption({ id: '', text: '', ...times });
      return rest;
    }),
  );
  expect(new Set([...made.captions.map((c) => c.id), 'one', 'two']).size).toBe(4);
});
