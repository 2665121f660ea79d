/** Commands of the cursor caption, and of the captions that are selected. */
import { inSection, type Command } from '../../ui/commands/command.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useCaption } from './use-caption.ts';
import { useComeBack } from './use-come-back.ts';
import { useTimesOf } from './use-times.ts';
import { useSeveral } from './use-several.ts';

/** Going to other captions. */
function goingOn(): readonly Command[] {
  const cursor = useCursor();
  const dialogs = useDialogs();
  const caption = useCaption();
  return inSection('One caption', [
    {
      id: 'above',
      title: 'Caption above',
      keys: ['Ctrl+ArrowUp'],
      mac: ['Cmd+Alt+ArrowUp'],
      run: () => cursor.move(-1),
    },
    {
      id: 'below',
      title: 'Caption below',
      keys: ['Ctrl+ArrowDown'],
      mac: ['Cmd+Alt+ArrowDown'],
      run: () => cursor.move(1),
    },
    {
      id: 'unproofed',
      title: 'Next caption not proofed',
      keys: ['F9'],
      mac: ['Ctrl+n'],
      run: () => caption.unproofed(1),
    },
    {
      id: 'unproofed-before',
      title: 'Caption not proofed before',
      keys: ['Shift+F9'],
      mac: ['Ctrl+Shift+n'],
      run: () => caption.unproofed(-1),
    },
    {
      id: 'go-to',
      title: 'Go to a time, or to a caption by its number…',
      keys: ['Ctrl+g'],
      mac: ['Cmd+g'],
      run: () => (dialogs.open = 'go-to'),
    },
  ]);
}

/** What changes the cursor caption. */
function changingOne(): readonly Command[] {
  const caption = useCaption();
  const times = useTimesOf();
  const comeBack = useComeBack();
  const track = useTrack();
  return inSection(
    'One caption',
    [
      {
        id: 'proof',
        title: 'Proofed, and on to the next',
        keys: ['Ctrl+Enter'],
        mac: ['Cmd+Enter'],
        run: caption.proof,
      },
      {
        id: 'come-back',
        title: 'Mark this caption to come back to, or no longer',
        keys: ['Alt+c'],
        mac: [],
        run: comeBack.toggle,
      },
      { id: 'join-above', title: 'Join with the caption above', keys: [], run: () => caption.join('above') },
      { id: 'join-below', title: 'Join with the caption below', keys: [], run: () => caption.join('below') },
      {
        id: 'begin-here',
        title: 'Begin this caption at the playhead',
        keys: ['Ctrl+['],
        run: () => times.beginHere(),
      },
      {
        id: 'end-here',
        title: 'End this caption at the playhead',
        keys: ['Ctrl+]'],
        run: times.endHere,
      },
      {
        id: 'begin-along',
        title: 'Begin here, and everything after goes along',
        keys: ['Alt+['],
        mac: [],
        run: () => times.beginHere(true),
      },
      {
        id: 'end-up-to-next',
        title: 'End just before the next caption',
        keys: ['Alt+]'],
        mac: [],
        run: times.endUpTo,
      },
      {
        id: 'end-read',
        title: 'End where the text has been read',
        keys: ['Alt+Shift+]'],
        mac: [],
        run: times.endRead,
      },
      {
        id: 'to-speech',
        title: 'Begin and end with its speech',
        keys: ['Alt+Shift+['],
        mac: [],
        run: times.putToSpeech,
      },
      { id: 'split-here', title: 'Split at the playhead', keys: ['Ctrl+/', 'd'], run: caption.splitHere },
      {
        id: 'break-lines',
        title: 'Break lines again',
        keys: ['Ctrl+Shift+Enter'],
        mac: ['Cmd+Shift+Enter'],
        run: () => void caption.breakLines(),
      },
    ],
    () => track.whyReadOnly,
  );
}

/** What changes the captions that are selected. */
function changingSeveral(): readonly Command[] {
  const dialogs = useDialogs();
  const several = useSeveral();
  const track = useTrack();
  return inSection(
    'Several captions',
    [
      { id: 'proof-selected', title: 'Selected captions proofed, or no longer', keys: [], run: several.proof },
      { id: 'label', title: 'Label the speaker…', keys: ['Ctrl+l'], run: () => (dialogs.open = 'label') },
      { id: 'join-selected', title: 'Join the selected captions', keys: ['Ctrl+j'], run: several.join },
      {
        id: 'delete',
        title: 'Delete the selected captions',
        keys: ['Ctrl+Shift+Delete'],
        mac: ['Ctrl+Shift+Backspace'],
        run: several.remove,
      },
      { id: 'keep-only', title: 'Keep only a part…', keys: [], run: () => (dialogs.open = 'keep-only') },
    ],
    () => track.whyReadOnly,
  );
}

/** What takes them along. */
function takingAlong(): readonly Command[] {
  const several = useSeveral();
  return inSection('Several captions', [
    { id: 'copy-text', title: 'Copy the text', keys: [], run: () => void several.copyText() },
  ]);
}

export const captionCommands = (): readonly Command[] => [
  ...goingOn(),
  ...changingOne(),
  ...changingSeveral(),
  ...takingAlong(),
];
