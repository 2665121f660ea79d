/** Commands of the words, most of them on the text surface. */
import { inSection, type Command } from '../../ui/commands/command.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useShownSurface } from '../../desk/text/shown-surface.ts';
import { useCorrections } from '../../desk/suggestions/corrections.ts';
import { useDoubt } from './doubt.ts';
import { useFind } from './find.ts';
import { useHeard } from './use-heard.ts';

/** Going to words. */
function finding(): readonly Command[] {
  const preferences = usePreferences();
  const shown = useShownSurface();
  const doubt = useDoubt();
  const find = useFind();
  const heard = useHeard();
  const elsewhere = (): string | null => (shown.surface ? null : 'Go to Words for this.');
  return inSection(
    'Correcting words',
    [
      {
        id: 'heard',
        title: 'Select the word just heard; again, the one before',
        keys: ['F3'],
        mac: ['Ctrl+s'],
        run: heard,
      },
      {
        id: 'doubtful',
        title: 'Next doubtful word, with suggestions',
        keys: ['F4'],
        mac: ['Ctrl+w'],
        run: () => doubt.next(),
      },
      {
        id: 'suggest',
        title: 'Suggestions for this word, or the selected words',
        keys: ['Shift+F4'],
        mac: ['Ctrl+Shift+w'],
        run: () => doubt.suggestHere(),
      },
      {
        id: 'find',
        title: 'Find and replace',
        keys: ['Ctrl+f'],
        mac: ['Cmd+f'],
        run: () => find.start(),
      },
      {
        id: 'turn',
        title: 'Line by line, or running text',
        keys: ['Ctrl+Shift+r'],
        run: () => (preferences.reading = preferences.reading === 'lines' ? 'text' : 'lines'),
      },
    ],
    elsewhere,
  );
}

/** What is done to a word, or to what is selected. */
function markingWords(): readonly Command[] {
  const shown = useShownSurface();
  const track = useTrack();
  const elsewhere = (): string | null => (shown.surface ? null : 'Go to Words for this.');
  const cannotWrite = (): string | null => elsewhere() ?? track.whyReadOnly;
  const mark = (kind: 'italic' | 'bold' | 'underline') => (): void => void shown.surface?.mark(kind);
  return inSection(
    'Correcting words',
    [
      {
        id: 'capital',
        title: 'Capital for this word, or none',
        keys: ['F2'],
        mac: ['Ctrl+u'],
        run: () => shown.surface?.capital(),
      },
      { id: 'italic', title: 'Italic', keys: ['Ctrl+i'], mac: ['Cmd+i'], run: mark('italic') },
      { id: 'bold', title: 'Bold', keys: ['Ctrl+b'], mac: ['Cmd+b'], run: mark('bold') },
      { id: 'underline', title: 'Underline', keys: ['Ctrl+u'], mac: ['Cmd+u'], run: mark('underline') },
    ],
    cannotWrite,
  );
}

/** The same correction elsewhere. */
function correcting(): readonly Command[] {
  const messages = useMessages();
  const track = useTrack();
  const corrections = useCorrections();
  function correctSame(): void {
    corrections.settle();
    if (corrections.offer) void corrections.correctIn(corrections.offer.places);
    else messages.remark = 'There is no correction to repeat: correct a word, and its other places are offered.';
  }
  return inSection(
    'Correcting words',
    [{ id: 'mend-same', title: 'Correct the same mistake everywhere', keys: ['Ctrl+m'], run: correctSame }],
    () => track.whyReadOnly,
  );
}

/** Words between captions. */
function dividing(): readonly Command[] {
  const shown = useShownSurface();
  const track = useTrack();
  const elsewhere = (): string | null => (shown.surface ? null : 'Go to Words for this.');
  const cannotWrite = (): string | null => elsewhere() ?? track.whyReadOnly;
  return inSection(
    'One caption',
    [
      {
        id: 'give-above',
        title: 'Give the first word to the caption above',
        keys: ['Alt+Shift+ArrowUp'],
        run: () => shown.surface?.give('above'),
      },
      {
        id: 'give-below',
        title: 'Give the last word to the caption below',
        keys: ['Alt+Shift+ArrowDown'],
        run: () => shown.surface?.give('below'),
      },
      {
        id: 'break-here',
        title: 'Move the break between two captions to the cursor',
        keys: ['Alt+Enter'],
        run: () => shown.surface?.breakHere(),
      },
    ],
    cannotWrite,
  );
}

/** Selecting captions. */
function selecting(): readonly Command[] {
  const shown = useShownSurface();
  const elsewhere = (): string | null => (shown.surface ? null : 'Go to Words for this.');
  return inSection(
    'Several captions',
    [
      {
        id: 'select-above',
        title: 'Select the caption above too',
        keys: ['Ctrl+Shift+ArrowUp'],
        mac: ['Cmd+Alt+Shift+ArrowUp'],
        run: () => shown.surface?.extend(-1),
      },
      {
        id: 'select-below',
        title: 'Select the caption below too',
        keys: ['Ctrl+Shift+ArrowDown'],
        mac: ['Cmd+Alt+Shift+ArrowDown'],
        run: () => shown.surface?.extend(1),
      },
    ],
    elsewhere,
  );
}

export const wordsCommands = (): readonly Command[] => [
  ...finding(),
  ...markingWords(),
  ...correcting(),
  ...dividing(),
  ...selecting(),
];
