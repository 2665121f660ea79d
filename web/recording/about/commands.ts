/** Commands of what a job says of its recording. */
import { inSection, type Command } from '../../ui/commands/command.ts';
import { usePlayback } from '../playback/playback.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useStretch } from './stretch.ts';

export function recordingCommands(): readonly Command[] {
  const part = useStretch();
  const dialogs = useDialogs();
  const job = useJob();
  const playback = usePlayback();
  return inSection(
    'Timing',
    [
      {
        id: 'recording',
        title: 'About the recording…',
        keys: [],
        run: () => (dialogs.open = 'recording'),
        whyNot: () => null,
      },
      {
        id: 'part-from',
        title: 'Caption only from the playhead on',
        keys: [],
        run: () => void part.setEnd('start', playback.time),
      },
      {
        id: 'part-until',
        title: 'Caption only up to the playhead',
        keys: [],
        run: () => void part.setEnd('end', playback.time),
      },
      { id: 'part-all', title: 'Caption all of the recording', keys: [], run: () => void part.set(null) },
    ],
    () => (job.recordingUrl ? null : 'This job has no recording.'),
  );
}
