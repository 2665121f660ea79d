/** Commands of times of many captions. */
import { inSection, type Command } from '../../ui/commands/command.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { usePlacing } from '../listen-and-place/placing.ts';
import { useUncertain } from '../listen-and-place/uncertain.ts';
import { useRetime } from './retime.ts';

/** Each way of moving times. */
function opening(): readonly Command[] {
  const retime = useRetime();
  const placing = usePlacing();
  const track = useTrack();
  const job = useJob();
  /** Listens for captions that are not timed, at once or as soon as the sound is there; the others stay where they are. */
  function placeUntimed(): void {
    retime.open('listen');
    retime.scope = 'all';
    placing.listenSoon(
      track.captions,
      track.timed.map(({ id }) => id),
    );
  }
  /** Listens for all captions, at once or as soon as the sound is there. */
  function placeAll(): void {
    retime.open('listen');
    retime.scope = 'all';
    placing.listenSoon(track.captions, []);
  }
  const readOnly = (): string | null => track.whyReadOnly;
  const silent = (): string | null => readOnly() ?? (job.recordingUrl ? null : 'This job has no recording.');
  return inSection(
    'Several captions',
    [
      { id: 'shift', title: 'Shift in time…', keys: [], run: () => retime.open('shift') },
      { id: 'retime-rate', title: 'Times were made for another frame rate…', keys: [], run: () => retime.open('rate') },
      { id: 'retime-ties', title: 'Move times by ties…', keys: [], run: () => retime.open('ties') },
      {
        id: 'retime-edges',
        title: 'Snap to frames, close gaps, lead and linger…',
        keys: [],
        run: () => retime.open('edges'),
      },
      {
        id: 'recording-cut',
        title: 'The recording was cut again: captions follow…',
        keys: [],
        run: () => retime.open('cuts'),
        whyNot: silent,
      },
      {
        id: 'borrow-timing',
        title: 'Borrow timing from another track…',
        keys: [],
        run: () => retime.open('borrow'),
      },
      {
        id: 'place-by-sound',
        title: 'Listen and place captions where their words are said…',
        keys: [],
        run: () => retime.open('listen'),
        whyNot: silent,
      },
      {
        id: 'place-untimed',
        title: 'Listen, and place captions that are not timed',
        keys: [],
        run: placeUntimed,
        whyNot: silent,
      },
      {
        id: 'place-all',
        title: 'Listen, and place all captions',
        keys: [],
        run: placeAll,
        whyNot: silent,
      },
    ],
    readOnly,
  );
}

/** While times are tried. */
function trying(): readonly Command[] {
  const retime = useRetime();
  const uncertain = useUncertain();
  const track = useTrack();
  const readOnly = (): string | null => track.whyReadOnly;
  const untried = (): string | null => (retime.isOpen ? null : 'No times are being tried.');
  return inSection(
    'Several captions',
    [
      {
        id: 'placing-next',
        title: 'While places are looked at: hear the next that is uncertain',
        keys: ['Alt+n'],
        mac: ['Ctrl+Shift+u'],
        run: uncertain.next,
        whyNot: untried,
      },
      {
        id: 'placing-toggle',
        title: 'While places are looked at: take this one, or leave it',
        keys: ['Alt+m'],
        mac: ['Ctrl+Shift+y'],
        run: uncertain.toggle,
        whyNot: untried,
      },
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
        whyNot: untried,
      },
    ],
    readOnly,
  );
}

export const retimeCommands = (): readonly Command[] => [...opening(), ...trying()];
