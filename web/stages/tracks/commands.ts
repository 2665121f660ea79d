/** Commands of the tracks of a job. */
import { inSection, type Command } from '../../ui/commands/command.ts';
import { useBeside } from '../../data/tracks/beside.ts';
import { useCompared } from '../../data/tracks/compared.ts';

export function trackCommands(): readonly Command[] {
  const compared = useCompared();
  const beside = useBeside();
  return inSection('Anywhere', [
    {
      id: 'compare-swap',
      title: 'While two tracks are compared: show the other on the picture',
      keys: ['Alt+o'],
      mac: ['Ctrl+o'],
      run: compared.swap,
    },
    {
      id: 'beside-next',
      title: 'Show another track beside this one: the next of them, and after the last none',
      keys: [],
      run: beside.next,
    },
  ]);
}
