<script setup lang="ts">
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useNewCaptions } from '../captions/use-new-captions.ts';
import { nonce } from '../nonce.ts';
import { newId } from '../sync/ids.ts';
import { useDroppedFile } from '../stores/dropped-file.ts';
import { useFindings } from '../stores/findings.ts';
import { useJob } from '../stores/job.ts';
import { useView } from '../stores/view.ts';
import { useSelection } from '../stores/selection.ts';
import { usePlace } from '../stores/place.ts';
import { usePlayback } from '../playback/playback.ts';
import { usePreferences } from '../stores/preferences.ts';
import { useMessages } from '../stores/messages.ts';
import { useTrack } from '../stores/track.ts';
import { useShownSurface } from './shown-surface.ts';
import { createSurface, type Surface } from './surface/surface.ts';
import { useAround } from './use-around.ts';
import { useCapitals } from './use-capitals.ts';
import { useCorrections } from './use-corrections.ts';
import { useSpokenWord } from './use-spoken-word.ts';
import { useTimes } from '../stores/times.ts';

const times = useTimes();
const job = useJob();
const track = useTrack();
const shown = useShownSurface();
const messages = useMessages();
const place = usePlace();
const selection = useSelection();
const view = useView();
const playback = usePlayback();
const findings = useFindings();
const preferences = usePreferences();
const corrections = useCorrections();
const capitals = useCapitals();
const said = useSpokenWord();
const made = useNewCaptions();
const arriving = useDroppedFile();
const router = useRouter();
const parent = useTemplateRef<HTMLElement>('parent');
let surface: Surface | null = null;

const around = useAround();
const find = (id: string) => track.captions.find((c) => c.id === id);

onMounted(() => {
  const first = around();
  if (!parent.value || !first) return;
  surface = createSurface({
    parent: parent.value,
    nonce,
    captions: track.captions,
    around: first,
    context: () => findings.context,
    editable: () => track.editable,
    newId,
    onChange({ edit, applied, mergeable }) {
      const before = edit.type === 'splice' ? find(edit.id) : undefined;
      track.change(edit, mergeable, applied);
      playback.typed();
      if (before) corrections.typing(before);
      // The surface is still taking this change in.
      queueMicrotask(() => capitals.typed(edit));
    },
    covered: () => parent.value?.parentElement?.querySelector('.foot-bar')?.getBoundingClientRect().height ?? 0,
    onMove: track.endTyping,
    onComposing(now) {
      track.composing = now;
    },
    onTime(id) {
      const caption = find(id);
      if (!caption) return;
      place.enter(id);
      playback.seek(caption.start);
    },
    onHear(id, offset) {
      const caption = find(id);
      if (!caption) return;
      const word = caption.words.find((w) => w[1] >= offset);
      playback.seek(word?.[2] ?? caption.start);
      place.enter(id);
    },
    onTooMuch(text) {
      messages.notice = `The clipboard holds ${text.length.toLocaleString('en')} characters, more than can be pasted into captions at once. Nothing was changed; they are looked at here as a file, to become a track of their own if you want that.`;
      arriving.file = new File([text], 'pasted text.txt', { type: 'text/plain' });
      void router.push({ name: 'tracks' });
    },
    onBeside: made.insertBeside,
    onEnter: place.enter,
    onView: (stretch) => (view.ends = stretch),
    onSelect: (stretch) => (selection.ends = stretch),
  });
  shown.surface = surface;
  if (place.caption) surface.show(place.caption.id, true);
  surface.view.focus();
});
onBeforeUnmount(() => {
  corrections.settle();
  track.composing = false;
  selection.ends = null;
  view.ends = null;
  shown.surface = null;
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
    () => times.clock,
  ],
  (now, before) => {
    const next = around();
    if (next) surface?.setAround(next);
    if (now[3] !== before[3]) requestAnimationFrame(() => surface?.view.focus());
  },
);
watch(said, (at) => surface?.setSaid(at, playback.along));
watch([() => place.caption?.id, () => place.gone], ([id]) => {
  if (id) surface?.show(id, true);
});
// The bar of the selected captions has come up over the foot: the one that was chosen last stays in sight.
watch(
  () => selection.places !== null,
  (now) => {
    if (now && place.caption) surface?.show(place.caption.id, false);
  },
  { flush: 'post' },
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
  <div
    ref="parent"
    class="words-surface"
    :style="{ '--line': `${(job.job?.style.text.lineLength.limit ?? 40) + 10}ch` }"
  ></div>
</template>

<style src="./surface.css"></style>
