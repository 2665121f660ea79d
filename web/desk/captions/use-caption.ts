/** What commands and buttons do to the cursor caption; one way for both. */
import { joint } from '../../../core/operations/joint.ts';
import { splitting } from '../../../core/operations/split.ts';
import { captionAt } from '../../../core/model/caption.ts';
import { splitFor } from '../../../core/model/heard.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { rangeOf } from './scope.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useSelection } from '../../data/tracks/selection.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { newId } from '../../data/sync/ids.ts';
import { useWholeTrack } from '../findings/whole-track.ts';
import { useSeveral } from './use-several.ts';

export function useCaption() {
  const job = useJob();
  const track = useTrack();
  const messages = useMessages();
  const cursor = useCursor();
  const selection = useSelection();
  const playback = usePlayback();
  const wholeTrack = useWholeTrack();
  const several = useSeveral();

  function unproof(): void {
    const here = cursor.caption;
    if (here?.proofed && track.editable) track.change({ type: 'proof', ids: [here.id], proofed: false });
  }

  function proof(): void {
    const here = cursor.caption;
    if (!here || !track.editable) return;
    if (selection.places) {
      several.proof();
      return;
    }
    if (!here.proofed) track.change({ type: 'proof', ids: [here.id], proofed: true });
    cursor.move(1);
    playback.replay(cursor.index, cursor.index);
  }

  function unproofed(direction: 1 | -1): void {
    if (!cursor.goToNext(direction, (c) => !c.proofed)) messages.remark = 'Every caption is proofed.';
  }

  /** Breaks the lines of the selected captions again, or of the cursor caption. */
  async function breakLines(): Promise<void> {
    const position = { here: cursor.index, selected: selection.places, captions: track.captions.length };
    const done = await wholeTrack.change('reflow', { what: 'lines', every: true, ...rangeOf('selected', position) });
    if (!done) return;
    const many = done.runs.length;
    messages.remark =
      many === 0
        ? 'The lines break as well as they can already.'
        : `The lines of ${many === 1 ? 'one caption' : `${String(many)} captions`} break elsewhere now.`;
  }

  /** Splits the caption that is heard where the word began that was said as the key went down; playback goes on. */
  function splitHere(): void {
    const at = playback.time - playback.reaction();
    const here = track.captions[captionAt(track.captions, at)];
    if (!here || !job.job || !track.editable) return;
    const offset = here.end > at ? splitFor(here, at) : null;
    if (offset === null) {
      messages.remark =
        here.end > at
          ? 'This caption has one word only, so there is nothing to split.'
          : 'No caption is on screen at the playhead, so none was split.';
      return;
    }
    track.change(splitting(here, offset, newId(), job.job));
  }

  function join(direction: 'above' | 'below'): void {
    const first = direction === 'above' ? cursor.index - 1 : cursor.index;
    const [a, b] = [track.captions[first], track.captions[first + 1]];
    if (!a || !b || !job.job || !track.editable) return;
    track.change({ type: 'join', id: a.id, next: b.id, between: joint(a, b, job.job.style) });
    cursor.goTo(a.id, 'chosen');
  }

  return { proof, unproof, unproofed, breakLines, splitHere, join };
}
