<script setup lang="ts">
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue';
import { nonce } from '../nonce.ts';
import { newId } from '../outbox/deliver.ts';
import { useFindings } from '../stores/findings.ts';
import { useJob } from '../stores/job.ts';
import { usePlace } from '../stores/place.ts';
import { usePlayback } from '../stores/playback.ts';
import { usePreferences } from '../stores/preferences.ts';
import { useTrack } from '../stores/track.ts';
import { onSurface } from './on-surface.ts';
import { createSurface, type Surface } from './surface/surface.ts';
import type { Around } from './surface/state.ts';
import { useMends } from './use-mends.ts';
import { useSaid } from './use-said.ts';

const job = useJob();
const track = useTrack();
const place = usePlace();
const playback = usePlayback();
const findings = useFindings();
const preferences = usePreferences();
const mends = useMends();
const said = useSaid();
const parent = useTemplateRef<HTMLElement>('parent');
let surface: Surface | null = null;

const around = (): Around | null =>
  job.job
    ? {
        style: job.job.style,
        findings: findings.found.byCaption,
        cursor: place.caption?.id ?? null,
        reading: preferences.reading,
        doubtBelow: preferences.doubtBelow,
        keepsProof: preferences.keepsProof,
      }
    : null;
const find = (id: string) => track.captions.find((c) => c.id === id);

onMounted(() => {
  const first = around();
  if (!parent.value || !first) return;
  surface = createSurface({
    parent: parent.value,
    nonce,
    captions: track.captions,
    around: first,
    ground: () => findings.ground,
    editable: () => track.editable,
    newId,
    onChange({ edit, applied, mergeable }) {
      const before = edit.type === 'splice' ? find(edit.id) : undefined;
      track.change(edit, mergeable, applied);
      playback.typed();
      if (before) mends.typing(before);
    },
    onMove: track.endTyping,
    onComposing(now) {
      track.composing = now;
    },
    onTime(id) {
      const caption = find(id);
      if (!caption) return;
      place.goTo(id, 'chosen');
      playback.seek(caption.start);
    },
    onHear(id, offset) {
      const caption = find(id);
      if (!caption) return;
      const word = caption.words.find((w) => w[1] >= offset);
      playback.seek(word?.[2] ?? caption.start);
      place.goTo(id, 'chosen');
    },
    onTooMuch(characters) {
      track.notice = `The clipboard holds ${characters.toLocaleString('en')} characters, more than can be pasted at once, so nothing was changed. Save them as a text file and bring that in on Tracks.`;
    },
    onEnter: (id) => place.goTo(id, 'chosen'),
    onView: (stretch) => (place.view = stretch),
    onSelect: (stretch) => (place.selection = stretch),
  });
  onSurface.value = surface;
  if (place.caption) surface.show(place.caption.id, true);
  surface.view.focus();
});
onBeforeUnmount(() => {
  mends.settle();
  track.composing = false;
  place.selection = null;
  place.view = null;
  onSurface.value = null;
  surface?.destroy();
});

watch(
  () => track.captions,
  (captions) => surface?.setCaptions(captions),
  { flush: 'sync' },
);
watch(
  [
    () => findings.found,
    () => place.caption?.id,
    () => job.job?.style,
    () => preferences.reading,
    () => preferences.doubtBelow,
    () => preferences.keepsProof,
  ],
  (now, before) => {
    const next = around();
    if (next) surface?.setAround(next);
    // The same word stays in sight when the text is read otherwise.
    if (now[3] !== before[3]) {
      surface?.showCursor();
      surface?.view.focus();
    }
  },
);
watch(said, (at) => surface?.setSaid(at));
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
</script>

<template>
  <div ref="parent" class="words-surface"></div>
</template>

<style src="./surface.css"></style>
