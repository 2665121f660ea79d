<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { PlaceThere, Receipt } from '../../core/job/job.ts';
import type { Work } from '../../core/job/work.ts';
import { cellState } from './cell-state.ts';

const props = defineProps<{
  name: string;
  receipt: Receipt | null;
  work: Work | null;
  places: readonly PlaceThere[];
  likely: string;
  edit: number;
  kept: boolean;
  trouble: string | null;
}>();
defineEmits<{ send: [place: string | null]; change: [work: Work, to: 'stop' | 'again']; again: [] }>();
const place = ref('');
watch(
  () => props.likely,
  (id) => (place.value = id || place.value),
  { immediate: true },
);

const state = computed(() => cellState(props.receipt, props.work, props.edit));
/** Something of it is still on its way. */
const busy = computed(
  () => props.receipt?.state === 'processing' || (props.receipt?.state === 'sending' && state.value.can !== 'again'),
);
const machineThere = computed(
  () => props.places.find((p) => p.id === place.value)?.tracks.some((t) => t.kind === 'machine') ?? false,
);
const sendLabel = computed(() =>
  place.value === '' ? 'Put the recording there and send' : props.receipt ? 'Send again' : 'Send',
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
    <p v-if="work && state.can" class="cell-actions">
      <button v-if="state.can === 'stop'" type="button" class="plain-button" @click="$emit('change', work, 'stop')">
        Stop
      </button>
      <button v-else type="button" class="plain-button" @click="$emit('change', work, 'again')">Try again</button>
    </p>
    <p v-if="machineThere" class="sun">△ A machine track is there too</p>
    <label v-if="places.length > 0">
      <span class="visually-hidden">Recording at {{ name }}</span>
      <select v-model="place" class="plain-button">
        <option value="">Not there yet</option>
        <option v-for="p in places" :key="p.id" :value="p.id">{{ p.title }}</option>
      </select>
    </label>
    <p class="cell-actions">
      <button
        type="button"
        class="plain-button main"
        :disabled="!kept || busy || (place === '' && trouble !== null)"
        @click="$emit('send', place === '' ? null : place)"
      >
        {{ sendLabel }}
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
