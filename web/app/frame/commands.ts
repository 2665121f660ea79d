/** Gathers the commands of every room, and adds those that belong to none. A new command is added in its own room. */
import { stages } from '../../stages/stages.ts';
import type { Router } from 'vue-router';
import { captionCommands } from '../../desk/captions/commands.ts';
import { checksCommands } from '../../stages/checks/commands.ts';
import { inSection, type Command } from '../../ui/commands/command.ts';
import { playbackCommands } from '../../recording/playback/commands.ts';
import { reflowCommands } from '../../desk/reflow/commands.ts';
import { recordingCommands } from '../../recording/about/commands.ts';
import { retimeCommands } from '../../move-times/bar/commands.ts';
import { tapeCommands } from '../../stages/tape/commands.ts';
import { trackCommands } from '../../stages/tracks/commands.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { watchCommands } from '../../desk/watch/commands.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { wordsCommands } from '../../stages/words/commands.ts';

function frameCommands(router: Router): readonly Command[] {
  const track = useTrack();
  const dialogs = useDialogs();
  const go = (name: string) => (): void => void router.push({ name });
  return inSection('Anywhere', [
    {
      id: 'undo',
      title: 'Undo',
      keys: ['Ctrl+z'],
      mac: ['Cmd+z'],
      run: track.undo,
      whyNot: () => (track.canUndo ? null : 'There is nothing to undo.'),
    },
    {
      id: 'redo',
      title: 'Redo',
      keys: ['Ctrl+Shift+z'],
      mac: ['Cmd+Shift+z'],
      run: track.redo,
      whyNot: () => (track.canRedo ? null : 'There is nothing to redo.'),
    },
    { id: 'save-now', title: 'Save now', keys: ['Ctrl+s'], mac: ['Cmd+s'], run: track.saveNow },
    {
      id: 'find-command',
      title: 'Find a command',
      keys: ['Ctrl+k'],
      mac: ['Cmd+k'],
      run: () => (dialogs.open = 'finder'),
    },
    { id: 'keys', title: 'All keys, and ways of working', keys: ['?'], run: () => (dialogs.open = 'keys') },
    ...stages.map(({ name, title }, i) => ({
      id: `go-${name}`,
      title: `Go to ${title}`,
      keys: [`Ctrl+Shift+${String(i + 1)}`],
      run: go(name),
    })),
    {
      id: 'about-job',
      title: 'Change title, series, language…',
      keys: [],
      run: () => (dialogs.open = 'about-job'),
    },
    { id: 'mark-untimed', title: 'Mark captions that are not timed while it plays', keys: [], run: go('tape') },
    { id: 'go-styles', title: 'Go to house styles', keys: [], run: go('styles') },
    { id: 'go-jobs', title: 'Go to all jobs', keys: [], run: go('jobs') },
  ]);
}

export const gatherCommands = (router: Router): readonly Command[] => [
  ...playbackCommands(),
  ...watchCommands(),
  ...wordsCommands(),
  ...tapeCommands(),
  ...captionCommands(),
  ...retimeCommands(),
  ...recordingCommands(),
  ...reflowCommands(),
  ...checksCommands(),
  ...trackCommands(router),
  ...frameCommands(router),
];
