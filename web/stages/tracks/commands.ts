/** Commands of the tracks of a job. */
import { inSection, type Command } from '../../ui/commands/command.ts';
import type { Router } from 'vue-router';
import { useJob } from '../../data/jobs/job.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useMadeTracks } from './made-tracks.ts';
import { useBeside } from '../../data/tracks/beside.ts';
import { useCompared } from '../../data/tracks/compared.ts';

export function trackCommands(router: Router): readonly Command[] {
  const compared = useCompared();
  const beside = useBeside();
  const job = useJob();
  const track = useTrack();
  const dialogs = useDialogs();
  const made = useMadeTracks();
  const alone = (): string | null =>
    (job.job?.tracks.length ?? 0) > 1 ? null : 'This job has one track only. Add another, in Tracks.';
  const empty = (): string | null => (track.captions.length > 0 ? null : 'This track has no captions yet.');
  return inSection('Anywhere', [
    {
      id: 'compare-swap',
      title: 'While two tracks are compared: show the other on the picture',
      keys: ['Alt+o'],
      mac: ['Ctrl+o'],
      run: compared.swap,
      whyNot: () => (compared.pair ? null : 'No tracks are being compared.'),
    },
    {
      id: 'beside-next',
      title: 'Show another track beside this one: the next of them, and after the last none',
      keys: [],
      run: beside.next,
      whyNot: alone,
    },
    {
      id: 'compare-tracks',
      title: 'Compare two tracks…',
      keys: [],
      run: () => {
        compared.wanted = true;
        void router.push({ name: 'tracks' });
      },
      whyNot: alone,
    },
    {
      id: 'copy-track',
      title: 'Copy this track',
      keys: [],
      run: () => void (track.track && made.copy(track.track.id)),
      whyNot: empty,
    },
    {
      id: 'new-language',
      title: 'New language beside this one…',
      keys: [],
      run: () => (dialogs.open = 'new-language'),
      whyNot: empty,
    },
  ]);
}
