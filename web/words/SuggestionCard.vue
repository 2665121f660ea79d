<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { usePreferences } from '../stores/preferences.ts';
import { useTrack } from '../stores/track.ts';
import { useShownSurface } from './shown-surface.ts';
import { useDoubt } from './use-doubt.ts';
import TextButton from '../controls/TextButton.vue';

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

/** Below the caption, or above it where there is no room; over the page, so that no text moves. */
function settle(): void {
  const now = doubt.open;
  const box = now ? shown.surface?.boxOf(now.caption, now.asked.from, now.asked.to) : null;
  const text = track.captions.find((c) => c.id === now?.caption)?.text ?? '';
  const inLines = preferences.reading === 'lines';
  const first = now && inLines ? shown.surface?.boxOf(now.caption, 0, 0) : box;
  const last = now && inLines ? shown.surface?.boxOf(now.caption, text.length, text.length) : box;
  const stage = card.value?.parentElement?.getBoundingClientRect();
  if (!box || !stage || !card.value) {
    spot.value = null;
    return;
  }
  const { width, height } = card.value.getBoundingClientRect();
  const below = (last ?? box).bottom + 8;
  const top = below + height > stage.bottom ? (first ?? box).top - height - 8 : below;
  const left = Math.max(8, Math.min(box.left - stage.left, stage.width - width - 8));
  spot.value = { left: `${String(left)}px`, top: `${String(top - stage.top)}px` };
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
    class="suggestions"
    :class="{ unplaced: !spot }"
    :style="spot ?? {}"
    role="group"
    :aria-label="`Instead of “${written}”`"
    aria-live="polite"
  >
    <span class="soft">{{ certainty === null ? 'Instead:' : `Heard with ${certainty}% certainty:` }}</span>
    <span v-if="doubt.open.looking" class="soft">looking for words that sound alike…</span>
    <TextButton
      v-for="(word, i) in doubt.open.words"
      :key="word.text"
      :main="i === 0"
      :tip="word.why"
      :disabled="!track.editable"
      @click="doubt.take(i)"
    >
      {{ word.text }} <kbd>{{ i + 1 }}</kbd>
    </TextButton>
    <span v-if="!doubt.open.looking && doubt.open.words.length === 0" class="soft"
      >no suggestion; type what is said.</span
    >
    <TextButton :disabled="!track.editable" @click="doubt.keep()"> Keep “{{ written }}” <kbd>0</kbd> </TextButton>
  </div>
</template>

<style scoped>
.suggestions {
  position: absolute;
  z-index: 5;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  width: max-content;
  max-width: min(620px, calc(100% - 16px));
  padding: 6px 8px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  box-shadow: 0 6px 18px rgb(0 0 0 / 18%);
  font-size: 14px;
}
.unplaced {
  right: 12px;
  bottom: 12px;
}
.suggestions kbd {
  margin-left: 4px;
  color: var(--soft);
}
.suggestions .ant-btn-primary kbd {
  color: inherit;
}
</style>
