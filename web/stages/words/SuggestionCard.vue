<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useShownSurface } from '../../desk/text/shown-surface.ts';
import { useDoubt } from './doubt.ts';
import RowButton from '../../ui/controls/RowButton.vue';

const doubt = useDoubt();
const track = useTrack();
const shown = useShownSurface();
const preferences = usePreferences();
const card = ref<HTMLElement | null>(null);
const spot = ref<{ left: string; top: string } | null>(null);

const written = computed(() => {
  const now = doubt.open;
  const caption = track.captions.find((c) => c.id === now?.caption);
  return now && caption ? caption.text.slice(now.asked.from, now.asked.to) : '';
});
const certainty = computed(() => {
  const sure = doubt.open?.asked.certainty ?? null;
  return sure === null ? null : Math.round(sure * 100);
});

/**
 * Right of the line, over its figures, so that the captions around it stay readable. Running text has no figures:
 * there the column hangs below the words, or stands above them where there is no room.
 */
function settle(): void {
  const now = doubt.open;
  const surface = shown.surface;
  const words = now && surface?.boxOf(now.caption, now.asked.from, now.asked.to);
  const stage = card.value?.parentElement?.getBoundingClientRect();
  if (!surface || !words || !stage || !card.value) {
    spot.value = null;
    return;
  }
  const { width, height } = card.value.getBoundingClientRect();
  const isInLines = preferences.reading === 'lines';
  const under = words.bottom + 6;
  const wanted = isInLines ? words.top - 8 : under + height > stage.bottom ? words.top - height - 6 : under;
  const right = surface.view.contentDOM.getBoundingClientRect().right - stage.left;
  const left = isInLines ? right - width : Math.min(words.left - stage.left, right - width - 8);
  const top = Math.max(8, Math.min(wanted - stage.top, stage.height - height - 8));
  spot.value = { left: `${String(Math.max(8, left))}px`, top: `${String(top)}px` };
}
watch(
  () => [doubt.open, shown.surface],
  () => void nextTick(settle),
  { immediate: true },
);

/** While the card is open digits take a suggestion; any other key closes it and does what it does. */
function onKey(event: KeyboardEvent): void {
  if (!doubt.open || event.ctrlKey || event.metaKey || event.altKey || event.isComposing) return;
  const digit = /^\d$/.test(event.key) ? Number(event.key) : null;
  if (digit === null && event.key !== 'Escape') {
    if (!/^F\d|^Shift$/.test(event.key) && !card.value?.contains(event.target as Node)) doubt.open = null;
    return;
  }
  event.preventDefault();
  event.stopPropagation();
  if (event.key === 'Escape') doubt.close();
  else if (digit === 0) doubt.keep();
  else if (digit !== null) doubt.take(digit - 1);
}
function onPointer(event: PointerEvent): void {
  if (doubt.open && !card.value?.contains(event.target as Node)) doubt.open = null;
}
onMounted(() => {
  addEventListener('keydown', onKey, true);
  addEventListener('pointerdown', onPointer, true);
  shown.surface?.view.scrollDOM.addEventListener('scroll', settle, { passive: true });
});
onBeforeUnmount(() => {
  removeEventListener('keydown', onKey, true);
  removeEventListener('pointerdown', onPointer, true);
});
</script>

<template>
  <div
    v-if="doubt.open"
    ref="card"
    class="suggestions floating small"
    :class="{ unplaced: !spot }"
    :style="spot ?? {}"
    role="group"
    :aria-label="`Instead of “${written}”`"
    aria-live="polite"
  >
    <p class="suggestions-note soft">{{ certainty === null ? 'Instead:' : `${certainty}% certain` }}</p>
    <RowButton
      v-for="(word, i) in doubt.open.words"
      :key="word.text"
      class="quiet"
      :data-tip="word.why"
      :disabled="!track.editable"
      @click="doubt.take(i)"
    >
      <kbd class="soft">{{ i + 1 }}</kbd> <span dir="auto">{{ word.text }}</span>
    </RowButton>
    <p v-if="doubt.open.looking" class="suggestions-note soft">looking for words that sound alike…</p>
    <p v-else-if="doubt.open.words.length === 0" class="suggestions-note soft">No suggestion; type what is said.</p>
    <RowButton class="suggestions-keep quiet" :disabled="!track.editable" @click="doubt.keep()">
      <kbd class="soft">0</kbd> <span dir="auto">Keep “{{ written }}”</span>
    </RowButton>
  </div>
</template>

<style scoped>
.suggestions {
  position: absolute;
  z-index: 5;
  width: 218px;
  max-height: calc(100% - 16px);
  padding: 4px;
  overflow-y: auto;
}
.unplaced {
  right: 12px;
  bottom: 12px;
}
.suggestions-note {
  padding: 0 8px;
}
.row-button {
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr);
  align-items: baseline;
  overflow-wrap: anywhere;
}
.suggestions-keep {
  margin-top: 2px;
  border-top: 1px solid var(--rule);
  border-radius: 0 0 4px 4px;
}
</style>
