/** Commands of the tracks of a job. */
import { inSection, type Command } from '../commands/command.ts';
import { useCompared } from '../stores/compared.ts';

export function trackCommands(): readonly Command[] {
  const compared = useCompared();
  return inSection('Anywhere', [
    {
      id: 'compare-swap',
      title: 'While two tracks are compared: show the other on the picture',
      keys: ['Alt+o'],
      mac: ['Ctrl+o'],
      run: compared.swap,
    },
  ]);
}
