/** Paused, the picture goes to the caption that is chosen, as soon as the choice rests; one key goes back. */
import { defineStore } from 'pinia';
import { ref, watch } from 'vue';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { usePlayback } from './playback.ts';

/** A choice that stands for so long, in ms, rests: whoever goes through captions by key passes over many. */
export const restsAfter = 150;
/** Players put a picture a little beside where it was asked for, in ms. */
const beside = 50;

export const usePictureFollows = defineStore('picture-follows', () => {
  const cursor = useCursor();
  const playback = usePlayback();
  const preferences = usePreferences();
  /** Where the picture stood before it followed, in ms; null where it has not. */
  const before = ref<number | null>(null);
  /** Where it was put last, in ms. */
  let put = -Infinity;
  let timer: ReturnType<typeof setTimeout> | undefined;

  /** @param chosenAt where the picture stood as the caption was chosen, in ms: somebody who went elsewhere since stays there */
  function show(chosenAt: number): void {
    const here = cursor.caption;
    const time = playback.heading();
    if (Math.abs(time - chosenAt) > beside) return;
    if (here?.timing !== 'set' || playback.runs() || playback.isHeld() || (here.start <= time && time < here.end))
      return;
    // Somebody went elsewhere since: that is where one goes back to.
    if (before.value === null || Math.abs(time - put) > beside) before.value = time;
    put = here.start;
    playback.glance(here.start);
  }
  /** The caption that was chosen is heard in another way: the picture does not go there by itself. */
  function stay(): void {
    clearTimeout(timer);
  }
  function stop(): void {
    stay();
    before.value = null;
  }
  watch([() => cursor.id, () => cursor.jumps], () => {
    clearTimeout(timer);
    if (preferences.pictureFollows && !cursor.follow && !playback.runs())
      timer = setTimeout(show, restsAfter, playback.heading());
  });
  watch(
    () => playback.playing,
    (now) => now && stop(),
  );
  function goBack(): void {
    const to = before.value;
    stop();
    if (to !== null) playback.seek(to);
  }
  return { before, goBack, stay, stop };
});
