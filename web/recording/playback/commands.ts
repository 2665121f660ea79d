/** Commands of hearing. */
import { inSection, type Command } from '../../ui/commands/command.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePictureFollows } from './picture-follows.ts';
import { usePlayback } from './playback.ts';

export function playbackCommands(): readonly Command[] {
  const playback = usePlayback();
  const cursor = useCursor();
  const follows = usePictureFollows();
  const job = useJob();
  const replay = (around: 0 | 1) => (): void => playback.replay(cursor.index - around, cursor.index + around);
  return inSection(
    'Hearing',
    [
      {
        id: 'play',
        title: 'Play or pause',
        keys: ['Ctrl+Space', 'Space'],
        mac: ['Ctrl+p', 'Space'],
        run: playback.toggle,
      },
      { id: 'back', title: 'Back one step', keys: ['Ctrl+,'], run: () => playback.step(-1) },
      { id: 'ahead', title: 'Ahead one step', keys: ['Ctrl+.'], run: () => playback.step(1) },
      { id: 'replay', title: 'Replay this caption', keys: ["Ctrl+'"], run: replay(0) },
      { id: 'replay-around', title: 'Replay with the one before and after', keys: ["Ctrl+Shift+'"], run: replay(1) },
      { id: 'loop', title: 'Play this caption again and again', keys: ['Ctrl+;'], run: playback.loop },
      { id: 'slower', title: 'Slower', keys: ['Ctrl+Shift+,'], run: () => playback.faster(-1) },
      { id: 'faster', title: 'Faster', keys: ['Ctrl+Shift+.'], run: () => playback.faster(1) },
      {
        id: 'picture-back',
        title: 'Picture back to where it was before you chose a caption',
        keys: ['Alt+b'],
        mac: ['Ctrl+b'],
        run: follows.goBack,
        whyNot: () => (follows.before === null ? 'The picture has not followed you to a caption.' : null),
      },
      {
        id: 'follow',
        title: 'Follow the sound, or stay here',
        keys: ['Ctrl+Shift+f'],
        run: () => (cursor.follow = !cursor.follow),
      },
    ],
    () => (job.recordingUrl ? null : 'This job has no recording.'),
  );
}
