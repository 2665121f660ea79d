import '../../globals-for-tests.ts';
import { createPinia, setActivePinia } from 'pinia';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTypeAhead } from './type-ahead.ts';

const key = (name: string, more: object = {}) => ({
  key: name,
  ctrlKey: false,
  metaKey: false,
  altKey: false,
  ...more,
});

describe('what is typed before the text of a new caption is open', () => {
  beforeEach(() => {
    setActivePinia(createPinia());
  });

  it('is its text, and none of the commands of the tape', () => {
    const [cursor, ahead] = [useCursor(), useTypeAhead()];
    cursor.write('new');
    const letters = ['T', 'e', 's', 't', 's'].map((letter) => ahead.type(key(letter)));
    expect(letters).toEqual([true, true, true, true, true]);
    expect(ahead.type(key('Backspace'))).toBe(true);
    expect(ahead.take()).toBe('Test');
    expect(cursor.toWrite).toBeNull();
    expect(ahead.type(key('s'))).toBe(false);
  });

  it('is given up with Escape, and begins anew with another caption', () => {
    const [cursor, ahead] = [useCursor(), useTypeAhead()];
    cursor.write('one');
    ahead.type(key('a'));
    cursor.write('two');
    expect(ahead.text).toBe('');
    ahead.type(key('b'));
    expect(ahead.type(key('Escape'))).toBe(true);
    expect([cursor.toWrite, ahead.type(key('c'))]).toEqual([null, false]);
  });

  it('leaves chords and keys that write nothing to whoever has them', () => {
    const [cursor, ahead] = [useCursor(), useTypeAhead()];
    cursor.write('new');
    expect([key('z', { ctrlKey: true }), key('ArrowDown'), key('F8')].map(ahead.type)).toEqual([false, false, false]);
  });
});
