/** What the commands do. */
import type { RouteLocationRaw } from 'vue-router';
import type { DialogName } from '../stores/dialogs.ts';
import { usual, usualKeys, type CommandId } from './usual.ts';

export interface Command {
  readonly id: CommandId;
  readonly title: string;
  /** As the keyboard says it: `Ctrl+Shift+ArrowUp`, or a key alone for outside text. */
  readonly keys: readonly string[];
  readonly run: () => void;
}

export interface Deeds {
  readonly toggle: () => void;
  readonly step: (direction: 1 | -1) => void;
  readonly replay: (around: 0 | 1) => void;
  readonly proof: () => void;
  readonly move: (by: 1 | -1) => void;
  readonly finding: (direction: 1 | -1) => void;
  readonly repair: () => void;
  readonly repairAll: () => Promise<void>;
  readonly timeHere: (edge: 'start' | 'end') => void;
  readonly join: (direction: 'above' | 'below') => void;
  readonly give: (to: 'above' | 'below') => void;
  readonly mark: (kind: 'italic' | 'bold' | 'underline') => void;
  readonly heard: () => void;
  readonly capital: () => void;
  readonly extend: (by: 1 | -1) => void;
  readonly loop: () => void;
  readonly speed: (direction: 1 | -1) => void;
  readonly follow: () => void;
  readonly doubtful: () => void;
  readonly suggest: () => void;
  readonly unproofed: (direction: 1 | -1) => void;
  readonly find: () => void;
  readonly mendSame: () => void;
  readonly turn: () => void;
  readonly several: (deed: 'proof' | 'join' | 'remove' | 'keepOnly') => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly go: (to: RouteLocationRaw) => void;
  readonly breakLines: () => Promise<void>;
  readonly dialog: (name: DialogName) => void;
}

function runsOf(deeds: Deeds): Readonly<Record<CommandId, () => void>> {
  const stage =
    (name: string): (() => void) =>
    () =>
      deeds.go({ name });
  return {
    play: deeds.toggle,
    back: () => deeds.step(-1),
    ahead: () => deeds.step(1),
    replay: () => deeds.replay(0),
    'replay-around': () => deeds.replay(1),
    loop: deeds.loop,
    slower: () => deeds.speed(-1),
    faster: () => deeds.speed(1),
    follow: deeds.follow,
    proof: deeds.proof,
    above: () => deeds.move(-1),
    below: () => deeds.move(1),
    unproofed: () => deeds.unproofed(1),
    'unproofed-before': () => deeds.unproofed(-1),
    heard: deeds.heard,
    doubtful: deeds.doubtful,
    suggest: deeds.suggest,
    'mend-same': deeds.mendSame,
    find: deeds.find,
    turn: deeds.turn,
    finding: () => deeds.finding(1),
    'finding-before': () => deeds.finding(-1),
    repair: deeds.repair,
    'repair-all': () => void deeds.repairAll(),
    'break-lines': () => void deeds.breakLines(),
    relay: () => deeds.dialog('reflow'),
    'job-style': () => deeds.dialog('style'),
    'begin-here': () => deeds.timeHere('start'),
    'end-here': () => deeds.timeHere('end'),
    'give-above': () => deeds.give('above'),
    'give-below': () => deeds.give('below'),
    capital: deeds.capital,
    italic: () => deeds.mark('italic'),
    bold: () => deeds.mark('bold'),
    underline: () => deeds.mark('underline'),
    'select-above': () => deeds.extend(-1),
    'select-below': () => deeds.extend(1),
    'proof-selected': () => deeds.several('proof'),
    label: () => deeds.dialog('label'),
    shift: () => deeds.dialog('shift'),
    'join-selected': () => deeds.several('join'),
    delete: () => deeds.several('remove'),
    'keep-only': () => deeds.several('keepOnly'),
    'join-above': () => deeds.join('above'),
    'join-below': () => deeds.join('below'),
    undo: deeds.undo,
    redo: deeds.redo,
    'find-command': () => deeds.dialog('finder'),
    keys: () => deeds.dialog('keys'),
    'go-words': stage('words'),
    'go-checks': stage('checks'),
    'go-tracks': stage('tracks'),
    'go-handover': stage('handover'),
    'go-styles': stage('styles'),
    'go-jobs': stage('jobs'),
  };
}

/** Every command with its usual keys. @param mac the keys of a Mac */
export function commandsOf(deeds: Deeds, mac: boolean): readonly Command[] {
  const runs = runsOf(deeds);
  const keys = usualKeys(mac);
  return usual.map(({ id, title }) => ({ id, title, keys: keys[id], run: runs[id] }));
}
