/** Commands of timing. */
import { inSection, type Command } from '../commands/command.ts';
import { usePlayback } from '../playback/playback.ts';
import { useChosenEdge } from './chosen-edge.ts';
import { useTapeView } from './tape-view.ts';
import { useTiming } from './use-timing.ts';

export function tapeCommands(): readonly Command[] {
  const edge = useChosenEdge();
  const view = useTapeView();
  const playback = usePlayback();
  const timing = useTiming();
  return inSection('Timing', [
    {
      id: 'choose-begin',
      title: 'Choose this caption’s begin, and hear it',
      keys: ['Ctrl+Shift+['],
      run: () => edge.choose('start'),
    },
    {
      id: 'choose-end',
      title: 'Choose this caption’s end, and hear it',
      keys: ['Ctrl+Shift+]'],
      run: () => edge.choose('end'),
    },
    { id: 'new-here', title: 'New caption at the playhead', keys: ['Ctrl+Shift+Space'], run: timing.insertHere },
    { id: 'new-for-speech', title: 'New captions where speech has none', keys: [], run: timing.insertForSpeech },
    { id: 'tape-to-playhead', title: 'Tape: back to the playhead', keys: [], run: timing.toPlayhead },
    { id: 'tape-closer', title: 'Tape: closer', keys: [], run: () => view.closer(playback.time) },
    { id: 'tape-further', title: 'Tape: further away', keys: [], run: () => view.further(playback.time) },
  ]);
}
