import { caption } from '../model/caption.ts';
import { wordsAt } from './same-place.ts';

const timed = caption({
  id: 'a',
  start: 0,
  end: 4000,
  text: 'If the lantern\nis red, you wait.',
  words: [
    [0, 2, 0, 200, 1, 'aligned', ''],
    [3, 6, 200, 400, 1, 'aligned', ''],
    [7, 14, 400, 1000, 1, 'aligned', ''],
    [15, 17, 1000, 1200, 1, 'aligned', ''],
    [18, 22, 1200, 1700, 1, 'aligned', ''],
  ],
});

it.each([
  ['the word said then, without its comma', 1230, 1690, 'red'],
  ['nothing where nothing is said', 9000, 9400, ''],
  ['nothing for a whole passage', 0, 1700, ''],
])('%s', (_, start, end, expected) => expect(wordsAt([timed], start, end)).toBe(expected));

it('shares the time of a caption by letters where words have none', () => {
  const plain = caption({ id: 'b', start: 0, end: 3000, text: 'open lower gates' });
  expect(wordsAt([plain], 1000, 1700)).toBe('lower');
});
