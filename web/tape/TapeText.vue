<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue';
import type { Caption } from '../../core/track/caption.ts';
import { useNewCaptions } from '../captions/use-new-captions.ts';
import { nonce } from '../nonce.ts';
import { usePlayback } from '../playback/playback.ts';
import { useFindings } from '../stores/findings.ts';
import { useJob } from '../stores/job.ts';
import { usePlace } from '../stores/place.ts';
import { useTrack } from '../stores/track.ts';
import { newId } from '../sync/ids.ts';
import { useShownSurface } from '../words/shown-surface.ts';
import { createSurface, type Surface } from '../words/surface/surface.ts';
import { useAround } from '../words/use-around.ts';

/**
 * The text of the cursor caption, written where it stands on the tape: the surface of Words over this caption and its
 * neighbours, whose lines are not shown, so that every key does what it does there.
 */
const emit = defineEmits<{ leave: [] }>();
const job = useJob();
const track = useTrack();
const place = usePlace();
const shown = useShownSurface();
const findings = useFindings();
const playback = usePlayback();
const made = useNewCaptions();
const parent = useTemplateRef<HTMLElement>('parent');
let surface: Surface | null = null;

const beside = computed<readonly Caption[]>(() => track.captions.slice(Math.max(0, place.index - 1), place.index + 2));
const around = useAround('lines');

onMounted(() => {
  const first = around();
  if (!parent.value || !first) return;
  surface = createSurface({
    parent: parent.value,
    nonce,
    captions: beside.value,
    around: first,
    context: () => findings.context,
    editable: () => track.editable,
    newId,
    onChange({ edit, mergeable }) {
      track.change(edit, mergeable);
      playback.typed();
    },
    covered: () => 0,
    onMove: track.endTyping,
    onComposing: (now) => (track.composing = now),
    onTime: () => undefined,
    onHear: () => undefined,
    onTooMuch: () => undefined,
    onBeside: made.insertBeside,
    onEnter: place.enter,
    onView: () => undefined,
    onSelect: () => undefined,
  });
  shown.surface = surface;
  if (place.caption) surface.show(place.caption.id, true);
  surface.view.focus();
});
onBeforeUnmount(() => {
  track.composing = false;
  if (shown.surface === surface) shown.surface = null;
  surface?.destroy();
});
watch(beside, (captions) => surface?.setCaptions(captions), { flush: 'post' });
watch([() => findings.found, () => place.caption?.id, () => job.job?.style], () => {
  const next = around();
  if (next) surface?.setAround(next);
});
</script>

<template>
  <div ref="parent" class="words-surface tape-text" @pointerdown.stop @keydown.escape.stop="emit('leave')"></div>
</template>

<style src="../words/surface.css"></style>
<style scoped>
.tape-text {
  --left: 8px;
  margin-left: 9px;
  --right: 4px;
}
.tape-text :deep(.words-margins),
.tape-text :deep(.cm-line:not(.row-cursor)) {
  display: none;
}
.tape-text :deep(.cm-line.row-cursor) {
  padding-block: 0;
  border-top: 0;
}
.tape-text :deep(.cm-content) {
  padding-top: 3px;
}
</style>
