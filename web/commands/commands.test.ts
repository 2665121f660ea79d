import { commandFor, commandsOf, keyLabel, pressedKey, type Deeds } from './commands.ts';

const press = (key: string, more: object = {}) => ({
  key,
  code: '',
  ctrlKey: false,
  metaKey: false,
  shiftKey: false,
  altKey: false,
  ...more,
});
const nothing = () => undefined;
const deeds: Deeds = {
  toggle: nothing,
  step: nothing,
  replay: nothing,
  proof: nothing,
  move: nothing,
  finding: nothing,
  repair: nothing,
  repairAll: () => Promise.resolve(),
  timeHere: nothing,
  join: nothing,
  undo: nothing,
  redo: nothing,
  go: nothing,
  breakLines: () => Promise.resolve(),
  dialog: nothing,
  give: nothing,
  mark: nothing,
  extend: nothing,
  loop: nothing,
  speed: nothing,
  follow: nothing,
  doubtful: nothing,
  unproofed: nothing,
  find: nothing,
  mendSame: nothing,
  turn: nothing,
  several: nothing,
};
const commands = commandsOf(deeds);
const id = (event: ReturnType<typeof press>, inText = false, onControl = false) =>
  commandFor(commands, event, inText, onControl)?.id;

describe('keys', () => {
  it.each([
    ['Ctrl+Space', press(' ', { ctrlKey: true })],
    ["Ctrl+Shift+'", press('"', { ctrlKey: true, shiftKey: true, code: 'Quote' })],
    ['Ctrl+Shift+z', press('Z', { ctrlKey: true, shiftKey: true, code: 'KeyZ' })],
    ['Ctrl+z', press('z', { metaKey: true })],
    ['?', press('?', { shiftKey: true })],
    ['Shift+F8', press('F8', { shiftKey: true })],
    [null, press('Control', { ctrlKey: true })],
  ])('%s', (name, event) => expect(pressedKey(event)).toBe(name));

  it('leave text alone while it is written, and buttons their own Space', () => {
    expect(id(press(' '))).toBe('play');
    expect(id(press(' '), true)).toBeUndefined();
    expect(id(press(' '), false, true)).toBeUndefined();
    expect(id(press('?', { shiftKey: true }), true)).toBeUndefined();
    expect(id(press(' ', { ctrlKey: true }), true)).toBe('play');
    expect(id(press('F8'), true)).toBe('finding');
  });

  it('are each given to one command, and none uses Ctrl and Alt together', () => {
    const keys = commands.flatMap((c) => c.keys);
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys.filter((k) => k.includes('Ctrl+Alt'))).toEqual([]);
    expect(keyLabel('Ctrl+Shift+z')).toBe('Ctrl Shift Z');
  });
});
