<script setup lang="ts">
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue';
import { nonce } from '../nonce.ts';
import { newId } from '../outbox/deliver.ts';
import { useFindings } from '../stores/findings.ts';
import { useJob } from '../stores/job.ts';
import { usePlace } from '../stores/place.ts';
import { usePlayback } from '../stores/playback.ts';
import { useTrack } from '../stores/track.ts';
import { createSurface, type Surface } from './surface/surface.ts';
import type { Around } from './surface/state.ts';

const job = useJob();
const track = useTrack();
const place = usePlace();
const playback = usePlayback();
const findings = useFindings();
const parent = useTemplateRef<HTMLElement>('parent');
let surface: Surface | null = null;

const around = (): Around | null =>
  job.job ? { style: job.job.style, findings: findings.found.byCaption, cursor: place.caption?.id ?? null } : null;

onMounted(() => {
  const first = around();
  if (!parent.value || !first) return;
  surface = createSurface({
    parent: parent.value,
    nonce,
    captions: track.captions,
    around: first,
    rate: () => job.job?.rate ?? { numerator: 25, denominator: 1 },
    editable: () => track.editable,
    newId,
    onChange({ edit, applied, mergeable }) {
      track.change(edit, mergeable, applied);
      playback.typed();
    },
    onMove: track.endTyping,
    onComposing(now) {
      track.composing = now;
    },
    onTime(id) {
      const caption = track.captions.find((c) => c.id === id);
      if (!caption) return;
      place.goTo(id, 'chosen');
      playback.seek(caption.start);
    },
    onEnter: (id) => place.goTo(id, 'chosen'),
    onView: (stretch) => (place.view = stretch),
    onSelect: (stretch) => (place.selection = stretch),
  });
  if (place.caption) surface.show(place.caption.id, true);
  surface.view.focus();
});
onBeforeUnmount(() => {
  track.composing = false;
  place.selection = null;
  place.view = null;
  surface?.destroy();
});

watch(
  () => track.captions,
  (captions) => surface?.setCaptions(captions),
  { flush: 'sync' },
);
watch([() => findings.found, () => place.caption?.id, () => job.job?.style], () => {
  const now = around();
  if (now) surface?.setAround(now);
});
watch(
  () => place.caption?.id,
  (id) => {
    if (id) surface?.show(id, true);
  },
);
watch(
  () => track.lastChange,
  (change) => {
    const id =
      change?.by === 'undo' ? change.ids.find((c) => track.captions.some((other) => other.id === c)) : undefined;
    if (id) place.goTo(id, 'chosen');
  },
);

defineExpose({
  focus: () => surface?.view.focus(),
  join: (direction: 'above' | 'below') => surface?.join(direction),
  share: () => surface?.share(),
});
</script>

<template>
  <div ref="parent" class="words-surface"></div>
</template>

<style src="./surface.css"></style>
