import type { Command } from './command.ts';
import { commandSearch } from './search.ts';

const command = (id: string, title: string): Command => ({
  id,
  section: 'Anywhere',
  title,
  keys: [],
  run: () => undefined,
});
const commands = [
  command('undo', 'Undo'),
  command('shift', 'Shift in time…'),
  command('listen', 'Listen and place captions where their words are said…'),
  command('borrow', 'Borrow timing from another track…'),
  command('split', 'Split the caption at the cursor'),
  command('join', 'Join with the next caption'),
  command('keys', 'All keys, and ways of working'),
  command('capital', 'Capital letter for this word'),
  command('faster', 'Play faster'),
  command('add-track', 'Add a track…'),
];
const idsOf = (typed: string, recent: readonly string[] = []): string[] =>
  commandSearch(commands, recent)(typed).map(({ id }) => id);

describe('commands are found', () => {
  it('by a part of the title as it stands, before all that is only alike', () => {
    expect(idsOf('Shift in')).toEqual(['shift']);
    expect(idsOf('caption at the cur')[0]).toBe('split');
  });

  it('by parts of words, in any order', () => {
    expect(idsOf('time shi')[0]).toBe('shift');
    expect(idsOf('track borr')[0]).toBe('borrow');
  });

  it.each([
    ['sync', 'shift'],
    ['late', 'shift'],
    ['align', 'listen'],
    ['subtitle', 'split'],
    ['punctuation', 'capital'],
    ['cut', 'split'],
    ['merge', 'join'],
    ['speed', 'faster'],
    ['language', 'add-track'],
    ['settings', 'keys'],
  ])('by another word for it: %s', (typed, id) => {
    expect(idsOf(typed)).toContain(id);
  });

  it('with a typing error', () => {
    expect(idsOf('borow')[0]).toBe('borrow');
    expect(idsOf('lisetn')[0]).toBe('listen');
    expect(idsOf('synch')).toContain('shift');
  });

  it('all of them where nothing is typed, what was run last before the others', () => {
    expect(idsOf('')).toEqual(commands.map(({ id }) => id));
    expect(idsOf(' ', ['join', 'undo']).slice(0, 3)).toEqual(['join', 'undo', 'shift']);
  });

  it('not by what has nothing to do with them', () => {
    expect(idsOf('zebra')).toEqual([]);
    expect(idsOf('undo banana')).toEqual([]);
  });
});
