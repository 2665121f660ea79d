<script setup lang="ts">
import { onBeforeUnmount, useTemplateRef, watch } from 'vue';
import { useUndoInSight } from '../../desk/captions/undo-in-sight.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useSelection } from '../../data/tracks/selection.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useView } from '../../data/tracks/view.ts';
import { useSpokenWord } from './use-spoken-word.ts';
import { useSurface } from '../../desk/text/use-surface.ts';

const job = useJob();
const track = useTrack();
/** The text has room for so many characters, however short its lines are to be. */
const narrowest = 40;
const cursor = useCursor();
const selection = useSelection();
const view = useView();
const playback = usePlayback();
const said = useSpokenWord();
const parent = useTemplateRef<HTMLElement>('parent');
const surface = useSurface(parent, {
  captions: () => track.captions,
  isWhole: true,
  covered: () => parent.value?.parentElement?.querySelector('.foot-bar')?.getBoundingClientRect().height ?? 0,
  onView: (stretch) => (view.ends = stretch),
  onSelect: (stretch) => (selection.ends = stretch),
});
onBeforeUnmount(() => {
  selection.ends = null;
  view.ends = null;
});
watch(said, (at) => surface()?.setSaid(at, playback.along));
watch([() => cursor.caption?.id, () => cursor.jumps], ([id]) => {
  if (id) surface()?.show(id, true);
});
// The bar of the selected captions has come up over the foot: the one that was chosen last stays in sight.
watch(
  () => selection.places !== null,
  (now) => {
    if (now && cursor.caption) surface()?.show(cursor.caption.id, false);
  },
  { flush: 'post' },
);
useUndoInSight();
</script>

<template>
  <div
    ref="parent"
    class="words-surface"
    :style="{ '--line': `${Math.max(narrowest, job.job?.style.text.lineLength.limit ?? 0) + 10}ch` }"
  ></div>
</template>

<style src="../../desk/text/surface.css"></style>
