import '../../globals-for-tests.ts';
import { createPinia, setActivePinia } from 'pinia';
import { readdirSync, readFileSync } from 'node:fs';
import type { Router } from 'vue-router';
import { gatherCommands } from '../frame/commands.ts';
import { withKeysOf } from '../../ui/commands/command.ts';
import { commandFor, keyLabel, keyOf } from '../../ui/commands/keyboard.ts';
import { unfit } from '../../ui/commands/keys.ts';

const press = (key: string, more: object = {}) => ({
  key,
  code: '',
  ctrlKey: false,
  metaKey: false,
  shiftKey: false,
  altKey: false,
  ...more,
});
setActivePinia(createPinia());
const gathered = gatherCommands({ push: () => Promise.resolve() } as unknown as Router);
const commands = withKeysOf(gathered, false);
const onMac = withKeysOf(gathered, true);
const id = (event: ReturnType<typeof press>, inText = false, onControl = false) =>
  commandFor(commands, event, { inText, onControl, mac: false, onTape: false })?.id;

describe('keys', () => {
  it.each([
    ['Ctrl+Space', press(' ', { ctrlKey: true })],
    ["Ctrl+Shift+'", press('"', { ctrlKey: true, shiftKey: true, code: 'Quote' })],
    ['Ctrl+Shift+z', press('Z', { ctrlKey: true, shiftKey: true, code: 'KeyZ' })],
    ['Meta+z', press('z', { metaKey: true })],
    ['?', press('?', { shiftKey: true })],
    ['Alt+Shift+[', press('{', { altKey: true, shiftKey: true, code: 'BracketLeft' })],
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

  it('of a letter alone are for the tape, and for nothing else', () => {
    const at = (onTape: boolean) =>
      commandFor(commands, press('d'), { inText: false, onControl: false, mac: false, onTape })?.id;
    expect(at(true)).toBe('split-here');
    expect(at(false)).toBeUndefined();
    expect(id(press('1', { ctrlKey: true, shiftKey: true, code: 'Digit2' }))).toBe('go-tape');
  });

  it('are told apart on a Mac by Ctrl and Cmd', () => {
    const find = (event: ReturnType<typeof press>) =>
      commandFor(onMac, event, { inText: true, onControl: false, mac: true, onTape: false })?.id;
    expect(find(press('f', { metaKey: true }))).toBe('find');
    expect(find(press('f', { ctrlKey: true }))).toBeUndefined();
    expect(find(press('s', { ctrlKey: true }))).toBe('heard');
    expect(find(press('s', { metaKey: true }))).toBe('save-now');
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

  it('stand on buttons under ids that there are', () => {
    const sources = readdirSync('web', { recursive: true, encoding: 'utf8' }).filter((f) => f.endsWith('.vue'));
    const used = sources.flatMap((file) =>
      [
        ...readFileSync(`web/${file}`, 'utf8').matchAll(/<KeyHint[^>]* command="([^"]+)"|hint\('[^']*', '([^']+)'\)/g),
      ].map((m) => m[1] ?? m[2]),
    );
    expect(used.length).toBeGreaterThan(5);
    const ids = commands.map((c) => c.id);
    expect(used.filter((one) => !ids.includes(one ?? ''))).toEqual([]);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('are kept under names that stay what they were', () => {
    expect(commands.map((c) => c.id).sort()).toEqual(
      // As people’s own keys are kept under today; a name is added here and never changed.
      `above ahead back begin-along begin-here below beside-next bold break-lines capital choose-begin choose-end delete doubtful end-here end-read end-up-to-next faster find find-command
       finding finding-before follow give-above give-below go-checks go-handover go-jobs go-styles go-tape go-tracks go-words
       heard italic job-style join-above join-below join-selected keep-only keys label loop mend-same new-here play proof
       proof-selected redo relay repair repair-all replay replay-around save-now select-above select-below shift slower split-here suggest
       tape-closer tape-further tape-to-playhead tape-readable new-for-speech to-speech mark mark-back mark-skip hear-up-to hear-from hear-held
       draw-from draw-to hear-gap tape-fold part-all part-from part-until recording retime-swap retime-rate retime-ties tie-here
       compare-swap retime-edges recording-cut borrow-timing place-by-sound place-untimed mark-untimed placing-next placing-toggle
       turn underline undo unproofed unproofed-before go-to copy-text compare-tracks copy-track about-job new-language picture-back break-here place-all come-back watch-through`
        .trim()
        .split(/\s+/)
        .sort(),
    );
  });
});
