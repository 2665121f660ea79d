/** Commands of times of many captions. */
import { inSection, type Command } from '../commands/command.ts';
import { useRetime } from './retime.ts';

export function retimeCommands(): readonly Command[] {
  const retime = useRetime();
  return inSection('Several captions', [
    { id: 'shift', title: 'Shift in time…', keys: [], run: () => retime.open('shift') },
    { id: 'retime-rate', title: 'Times were made for another frame rate…', keys: [], run: () => retime.open('rate') },
    { id: 'retime-ties', title: 'Move times by ties…', keys: [], run: () => retime.open('ties') },
    {
      id: 'tie-here',
      title: 'This caption belongs at the playhead: tie it',
      keys: ['Alt+t'],
      mac: ['Ctrl+t'],
      run: retime.tieHere,
    },
    {
      id: 'retime-swap',
      title: 'While times are tried: show how they were, or how they would be',
      keys: ['Alt+y'],
      mac: ['Ctrl+y'],
      run: retime.swap,
    },
  ]);
}
