import type { Command } from './command.ts';
import { clash, given, unfit, withOwnKeys } from './keys.ts';

const command = (id: string, ...keys: string[]): Command => ({
  id,
  section: 'Hearing',
  title: id,
  keys,
  run: () => undefined,
});
const usual = [command('play', 'Ctrl+Space', 'Space'), command('finding', 'F8'), command('join-above')];

describe('keys of one’s own', () => {
  it.each([
    ['F13', true],
    ['Ctrl+;', true],
    ['Alt+Shift+ArrowUp', true],
    ['a', false],
    ['Space', false],
    ['Enter', false],
    ['Ctrl+c', false],
    ['Ctrl+w', false],
    ['Ctrl+Alt+p', false],
  ])('%s may be one: %s', (key, is) => expect(unfit(key, false) === null).toBe(is));

  it.each([
    ['Ctrl+c', true],
    ['Cmd+c', false],
    ['Cmd+q', false],
    ['Ctrl+ArrowUp', false],
    ['Cmd+Alt+p', true],
    ['Enter', false],
  ])('%s may be one on a Mac: %s', (key, is) => expect(unfit(key, true) === null).toBe(is));

  it('take the place of the usual ones, and are taken from whoever had them', () => {
    const own = given(usual, {}, 'play', 'F8');
    const now = withOwnKeys(usual, own);
    expect(now.map((c) => c.keys)).toEqual([['F8'], [], []]);
    expect(clash(usual, 'play', 'F8')?.id).toBe('finding');
    expect(clash(now, 'play', 'F8')).toBeNull();
  });
});
