<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { PlaceThere, Receipt } from '../../core/job/job.ts';

const props = defineProps<{
  name: string;
  receipt: Receipt | null;
  places: readonly PlaceThere[];
  likely: string;
  edit: number;
  kept: boolean;
  trouble: string | null;
  /** The recording is on its way there. */
  putting: boolean;
}>();
defineEmits<{ send: [place: string]; put: []; again: [] }>();
const place = ref('');
watch(
  () => props.likely,
  (id) => (place.value = id || place.value),
  { immediate: true },
);

const state = computed(() => {
  const { receipt, edit } = props;
  if (!receipt) return { tone: 'soft', sign: '○', word: 'Nothing sent', more: '' };
  if (receipt.state === 'processing')
    return { tone: 'water', sign: '◌', word: 'Being processed', more: `edit ${String(receipt.edit)}` };
  if (receipt.state === 'refused') return { tone: 'alarm', sign: '▲', word: 'Refused', more: '' };
  return receipt.edit < edit
    ? { tone: 'sun', sign: '◐', word: 'Behind', more: `holds edit ${String(receipt.edit)}` }
    : { tone: 'reed', sign: '●', word: 'Live', more: `holds edit ${String(receipt.edit)}` };
});
const machineThere = computed(
  () => props.places.find((p) => p.id === place.value)?.tracks.some((t) => t.kind === 'machine') ?? false,
);
</script>

<template>
  <div class="cell">
    <p :class="state.tone" role="status">
      <b
        ><span aria-hidden="true">{{ state.sign }}</span> {{ state.word }}</b
      >
    </p>
    <p v-if="state.more">{{ state.more }}</p>
    <p v-if="receipt" class="figures cell-file">{{ receipt.file }}</p>
    <p v-if="machineThere" class="sun">△ A machine track is there too</p>
    <label v-if="places.length > 0">
      <span class="visually-hidden">Recording at {{ name }}</span>
      <select v-model="place" class="plain-button">
        <option value="" disabled>Which recording there?</option>
        <option v-for="p in places" :key="p.id" :value="p.id">{{ p.title }}</option>
      </select>
    </label>
    <p v-if="place === '' && trouble === null" class="cell-put">
      <button type="button" class="plain-button" :disabled="putting" @click="$emit('put')">
        {{ putting ? 'On its way there…' : 'Put the recording there' }}
      </button>
    </p>
    <p class="cell-actions">
      <button
        type="button"
        class="plain-button main"
        :disabled="place === '' || !kept || receipt?.state === 'processing'"
        @click="$emit('send', place)"
      >
        {{ receipt ? 'Send again' : 'Send' }}
      </button>
      <a v-if="receipt?.watch && receipt.state === 'live'" :href="receipt.watch" target="_blank" rel="noopener"
        >See it there</a
      >
    </p>
    <template v-if="trouble">
      <p class="alarm" role="alert">{{ trouble }}</p>
      <p v-if="places.length === 0">
        <button type="button" class="plain-button" @click="$emit('again')">Look again</button>
      </p>
    </template>
  </div>
</template>

<style scoped>
.cell {
  display: flex;
  flex-direction: column;
  gap: 3px;
  max-width: 320px;
}
.cell-file {
  font-size: 13px;
}
.cell-actions {
  display: flex;
  align-items: center;
  gap: 12px;
  margin-top: 6px;
}
.reed {
  color: var(--reed);
}
.sun {
  color: var(--sun-text);
}
.alarm {
  color: var(--alarm);
}
.water {
  color: var(--water);
}
.soft {
  color: var(--soft);
}
select {
  max-width: 100%;
}
</style>
