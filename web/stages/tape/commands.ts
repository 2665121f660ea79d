/** Commands of the tape. */
import { inSection, type Command } from '../../ui/commands/command.ts';
import { useForSpeech } from '../../desk/captions/use-for-speech.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useChosenEdge } from '../../desk/captions/chosen-edge.ts';
import { useDrawn } from './drawn.ts';
import { useMarking } from './marking.ts';
import { useTapeView } from './tape-view.ts';

/** Edges, new captions, and marks. */
function making(): readonly Command[] {
  const edge = useChosenEdge();
  const track = useTrack();
  const made = useForSpeech();
  const marking = useMarking();
  const drawn = useDrawn();
  const readOnly = (): string | null => track.whyReadOnly;
  return inSection('Timing', [
    {
      id: 'choose-begin',
      title: 'Choose this caption’s begin, and hear it',
      keys: ['Ctrl+Shift+[', 'a'],
      run: () => edge.choose('start'),
    },
    {
      id: 'choose-end',
      title: 'Choose this caption’s end, and hear it',
      keys: ['Ctrl+Shift+]', 's'],
      run: () => edge.choose('end'),
    },
    {
      id: 'new-here',
      title: 'New caption in the drawn stretch, or at the playhead',
      keys: ['Ctrl+Shift+Space', 'f'],
      run: drawn.insert,
      whyNot: readOnly,
    },
    {
      id: 'new-for-speech',
      title: 'New captions where speech has none',
      keys: [],
      run: made.insertForSpeech,
      whyNot: readOnly,
    },
    {
      id: 'mark',
      title: 'Mark: held while a caption is said, tapped where the next begins',
      keys: ['c'],
      run: marking.press,
      release: marking.release,
    },
    { id: 'mark-back', title: 'Mark: take the last one back, and hear it again', keys: ['x'], run: marking.takeBack },
    { id: 'mark-skip', title: 'Mark: skip the next caption', keys: ['v'], run: marking.skip },
    { id: 'draw-from', title: 'Draw a stretch from the playhead on', keys: ['q'], run: () => drawn.edge('start') },
    { id: 'draw-to', title: 'Draw a stretch up to the playhead', keys: ['z'], run: () => drawn.edge('end') },
  ]);
}

/** Hearing around the playhead and around a caption. */
function hearing(): readonly Command[] {
  const track = useTrack();
  const playback = usePlayback();
  const messages = useMessages();
  const cursor = useCursor();
  function hearGap(): void {
    const index = track.timed.findIndex((c) => c.id === cursor.caption?.id);
    const [before, here] = [track.timed[index - 1], track.timed[index]];
    const from = before?.end ?? 0;
    if (here && here.start > from) playback.hear(from, here.start);
    else messages.remark = 'There is no gap before this caption.';
  }
  return inSection('Timing', [
    { id: 'hear-up-to', title: 'Play up to the playhead', keys: ['w'], run: () => playback.hearBeside('before') },
    {
      id: 'hear-from',
      title: 'Play a moment from the playhead, and come back',
      keys: ['e'],
      run: () => playback.hearBeside('after'),
    },
    { id: 'hear-gap', title: 'Play the gap before this caption', keys: [], run: hearGap },
    {
      id: 'hear-held',
      title: 'Play while the key is held, then back to where it began',
      keys: ['r'],
      run: playback.whileHeld,
      release: playback.letGo,
    },
  ]);
}

/** What the tape shows. */
function seeing(): readonly Command[] {
  const view = useTapeView();
  const track = useTrack();
  const playback = usePlayback();
  const preferences = usePreferences();
  const fold = (): void => {
    view.foldAll();
    preferences.foldsSilence = !preferences.foldsSilence;
  };
  return inSection('Timing', [
    { id: 'tape-to-playhead', title: 'Tape: back to the playhead', keys: ['g'], run: view.toPlayhead },
    {
      id: 'tape-readable',
      title: 'Tape: as close as every text on the page needs',
      keys: ['t'],
      run: () => view.readable(track.captions, playback.time),
    },
    { id: 'tape-fold', title: 'Tape: fold long silences, or unfold them', keys: ['b'], run: fold },
    { id: 'tape-closer', title: 'Tape: closer', keys: [], run: () => view.closer(playback.time) },
    { id: 'tape-further', title: 'Tape: further away', keys: [], run: () => view.further(playback.time) },
  ]);
}

export const tapeCommands = (): readonly Command[] => [...making(), ...hearing(), ...seeing()];
