/** The command that watches a recording through. */
import { inSection, type Command } from '../../ui/commands/command.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useWatching } from './watching.ts';

export function watchCommands(): readonly Command[] {
  const watching = useWatching();
  const job = useJob();
  return inSection(
    'Hearing',
    [
      {
        id: 'watch-through',
        title: 'Watch through: the picture large, marking what to come back to',
        keys: ['Alt+w'],
        mac: [],
        run: watching.start,
      },
    ],
    () => (job.recordingUrl ? null : 'This job has no recording.'),
  );
}
