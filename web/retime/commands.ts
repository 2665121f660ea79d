/** Commands of times of many captions. */
import { inSection, type Command } from '../commands/command.ts';
import { useRetime } from './retime.ts';

export function retimeCommands(): readonly Command[] {
  const retime = useRetime();
  return inSection('Several captions', [
    { id: 'shift', title: 'Shift in time…', keys: [], run: retime.open },
    {
      id: 'retime-swap',
      title: 'While times are tried: show how they were, or how they would be',
      keys: ['Alt+y'],
      mac: ['Ctrl+y'],
      run: retime.swap,
    },
  ]);
}
