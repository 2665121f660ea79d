import { commandsOf, type Deeds } from './commands.ts';
import { commandFor, keyLabel, keyOf } from './keyboard.ts';
import { unfit } from './keys.ts';

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
  capital: nothing,
  heard: nothing,
  extend: nothing,
  loop: nothing,
  speed: nothing,
  follow: nothing,
  doubtful: nothing,
  suggest: nothing,
  unproofed: nothing,
  find: nothing,
  mendSame: nothing,
  turn: nothing,
  several: nothing,
};
const commands = commandsOf(deeds, false);
const onMac = commandsOf(deeds, true);
const id = (event: ReturnType<typeof press>, inText = false, onControl = false) =>
  commandFor(commands, event, { inText, onControl, mac: false })?.id;

describe('keys', () => {
  it.each([
    ['Ctrl+Space', press(' ', { ctrlKey: true })],
    ["Ctrl+Shift+'", press('"', { ctrlKey: true, shiftKey: true, code: 'Quote' })],
    ['Ctrl+Shift+z', press('Z', { ctrlKey: true, shiftKey: true, code: 'KeyZ' })],
    ['Meta+z', press('z', { metaKey: true })],
    ['?', press('?', { shiftKey: true })],
    ['Shift+F8', press('F8', { shiftKey: true })],
    [null, press('Control', { ctrlKey: true })],
  ])('%s', (name, event) => expect(keyOf(event, false)).toBe(name));

  it('leave text alone while it is written, and buttons their own Space', () => {
    expect(id(press(' '))).toBe('play');
    expect(id(press(' '), true)).toBeUndefined();
    expect(id(press(' '), false, true)).toBeUndefined();
    expect(id(press('?', { shiftKey: true }), true)).toBeUndefined();
    expect(id(press(' ', { ctrlKey: true }), true)).toBe('play');
    expect(id(press('F8'), true)).toBe('finding');
  });

  it('are told apart on a Mac by Ctrl and Cmd', () => {
    const find = (event: ReturnType<typeof press>) =>
      commandFor(onMac, event, { inText: true, onControl: false, mac: true })?.id;
    expect(find(press('f', { metaKey: true }))).toBe('find');
    expect(find(press('f', { ctrlKey: true }))).toBeUndefined();
    expect(find(press('s', { ctrlKey: true }))).toBe('heard');
    expect(find(press(',', { ctrlKey: true, code: 'Comma' }))).toBe('back');
    expect(find(press('Z', { metaKey: true, shiftKey: true }))).toBe('redo');
  });

  it.each([
    ['', commands, false],
    [' of a Mac', onMac, true],
  ])('%s are each given to one command, and none is needed for something else', (_, list, mac) => {
    const keys = list.flatMap((c) => c.keys);
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys.filter((k) => k.includes('Ctrl+Alt'))).toEqual([]);
    expect(keys.filter((k) => k.length > 1 && k !== 'Space' && unfit(k, mac) !== null)).toEqual([]);
    expect(keyLabel('Ctrl+Shift+z')).toBe('Ctrl Shift Z');
  });
});
