/** The edge that keys move: a caption’s begin or end, chosen in any stage, heard again and again while it is moved. */
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { moveEdge, type Edge } from '../../../core/timing/drag/move.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { keyStepOf, moveRulesOf, retiming, stoppedText } from './retiming.ts';

export const useChosenEdge = defineStore('chosen-edge', () => {
  const job = useJob();
  const track = useTrack();
  const cursor = useCursor();
  const playback = usePlayback();
  const messages = useMessages();
  const preferences = usePreferences();

  const edge = ref<Edge | null>(null);
  const id = ref('');
  /** Where the playhead was, to go back to, in ms. */
  let before = 0;
  const caption = computed(() =>
    edge.value === null ? null : (track.captions.find((c) => c.id === id.value) ?? null),
  );
  const at = computed(() => (caption.value && edge.value ? caption.value[edge.value] : null));

  /** Chooses an edge of the cursor caption and lets it be heard. */
  function choose(which: Edge): void {
    const here = cursor.caption;
    if (!here) return;
    if (edge.value === null) before = playback.time;
    cursor.enter(here.id);
    [edge.value, id.value] = [which, here.id];
    if (here.timing === 'set') void playback.loopAround(here[which]);
  }
  /** No edge is chosen any more; what plays plays on. */
  function release(): void {
    edge.value = null;
  }
  /** Back to where one was. */
  function leave(): void {
    if (edge.value === null) return;
    release();
    playback.pause();
    playback.seek(before);
  }
  /** @param by in ms, later where it is positive */
  function move(by: number): void {
    if (!caption.value || !edge.value || !job.job || !track.editable) return;
    const to = caption.value[edge.value] + by;
    const { changes, stopped } = moveEdge(
      track.timed,
      { index: track.timed.findIndex((c) => c.id === id.value), edge: edge.value, to },
      moveRulesOf(job.job),
    );
    if (changes.length > 0) track.change(retiming(changes), true);
    if (stopped) messages.remark = stoppedText(stopped, edge.value);
    if (at.value !== null) playback.moveLoop(at.value);
  }
  /** How far a key moves the edge, in ms. */
  function stepOf(event: KeyboardEvent): number {
    const { alone, shift, ctrl } = preferences.edgeSteps;
    if (event.ctrlKey || event.metaKey) return ctrl;
    if (event.shiftKey || !job.job) return shift;
    return alone > 0 ? alone : keyStepOf(job.job);
  }
  /** Keys of a chosen edge. @returns whether this was one */
  function onKey(event: KeyboardEvent): boolean {
    if (edge.value === null || event.altKey || event.isComposing) return false;
    if (event.key === 'ArrowUp') move(-stepOf(event));
    else if (event.key === 'ArrowDown') move(stepOf(event));
    else if (event.key === 'Escape') leave();
    else return false;
    event.preventDefault();
    event.stopPropagation();
    return true;
  }
  return { edge, caption, at, choose, release, leave, move, onKey };
});
