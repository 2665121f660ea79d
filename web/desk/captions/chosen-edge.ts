/** The edge that keys move: a caption’s begin or end, chosen in any stage, heard again and again while it is moved. */
import { defineStore } from 'pinia';
import { computed, nextTick, ref } from 'vue';
import { moveEdge, type Edge } from '../../../core/timing/drag/move.ts';
import { usePictureFollows } from '../../recording/playback/picture-follows.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTrack } from '../../data/tracks/track.ts';
import type { Edit } from '../../../core/model/edits.ts';
import { newId } from '../../data/sync/ids.ts';
import { keyStepOf, moveRulesOf, retiming, stoppedText } from './retiming.ts';

/** A field, a menu and a dialog have arrows of their own. */
const hasKeysOfItsOwn = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.matches('input, [role=combobox], [role=menuitem]') || target.closest('[role=dialog]') !== null);

export const useChosenEdge = defineStore('chosen-edge', () => {
  const job = useJob();
  const track = useTrack();
  const cursor = useCursor();
  const playback = usePlayback();
  const follows = usePictureFollows();
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

  const run = pressesAsOneStep();

  /** Chooses an edge of the cursor caption and lets it be heard. */
  function choose(which: Edge): void {
    const here = cursor.caption;
    if (!here) return;
    if (edge.value === null) before = playback.time;
    cursor.enter(here.id);
    follows.stay();
    void nextTick(follows.stay);
    [edge.value, id.value] = [which, here.id];
    run.begin();
    if (here.timing === 'set') void playback.loopAround(here[which]);
  }
  /** No edge is chosen any more; what plays plays on. */
  function release(): void {
    edge.value = null;
  }
  /** It stays where it is now, and one is back where one was. */
  function leave(): void {
    if (edge.value === null) return;
    release();
    playback.pause();
    playback.seek(before);
  }
  /** It goes back to where it was when it was chosen, and so does one; what was done otherwise since stays. */
  function giveUp(): void {
    run.takeBack();
    leave();
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
    if (changes.length > 0) run.press(retiming(changes));
    if (stopped) messages.remark = stoppedText(stopped, edge.value);
    if (at.value !== null) playback.moveLoop(at.value);
  }
  /** How far a key moves the edge, in ms. */
  function stepOf(event: KeyboardEvent): number {
    const { shift, ctrl } = preferences.edgeSteps;
    if (event.ctrlKey || event.metaKey) return ctrl;
    if (event.shiftKey) return shift;
    return pictureOrStep();
  }
  /** The least a key moves it by, in ms. */
  function pictureOrStep(): number {
    const { alone } = preferences.edgeSteps;
    if (!job.job) return alone;
    return alone > 0 ? alone : keyStepOf(job.job);
  }
  /** Keys of a chosen edge. @returns whether this was one */
  function onKey(event: KeyboardEvent): boolean {
    if (edge.value === null || event.isComposing || hasKeysOfItsOwn(event.target)) return false;
    if (event.key === 'ArrowUp' || event.key === 'ArrowLeft') move(-stepOf(event));
    else if (event.key === 'ArrowDown' || event.key === 'ArrowRight') move(stepOf(event));
    else if (event.key === 'Escape') giveUp();
    else if (event.key === 'Enter' && !event.ctrlKey && !event.metaKey && !event.altKey) leave();
    else return false;
    event.preventDefault();
    event.stopPropagation();
    return true;
  }
  /** Moves an edge by a press of a button, which chooses it and lets it be heard. */
  function nudge(which: Edge, by: number): void {
    if (edge.value !== which || caption.value?.id !== cursor.caption?.id) choose(which);
    move(by);
  }
  return { edge, caption, at, choose, release, leave, nudge, pictureOrStep, onKey };
});

/** Presses that are one step to undo, until something else is done in between. */
function pressesAsOneStep() {
  const track = useTrack();
  let name = '';
  /** What the last of them changed; null where there is none. */
  let last: typeof track.lastChange = null;
  function begin(): void {
    [name, last] = [newId(), null];
  }
  return {
    begin,
    press(edit: Edit): void {
      if (last !== null && track.lastChange !== last) begin();
      track.change(edit, name);
      last = track.lastChange;
    },
    /** All of them, where nothing was done since. */
    takeBack(): void {
      if (last !== null && track.lastChange === last) track.undo();
    },
  };
}
