<script setup lang="ts">
import SelectField from '../../ui/controls/SelectField.vue';
import { computed, ref, watch } from 'vue';
import type { ListedRecording, Receipt } from '../../../core/job/job.ts';
import type { Work } from '../../../core/job/work.ts';
import { cellState } from './cell-state.ts';
import TextButton from '../../ui/controls/TextButton.vue';

const props = defineProps<{
  name: string;
  receipt: Receipt | null;
  work: Work | null;
  places: readonly ListedRecording[];
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
const choices = computed(() => [
  { value: '', title: 'Not uploaded yet' },
  ...props.places.map((p) => ({ value: p.id, title: p.title })),
]);
const sendLabel = computed(() =>
  place.value === '' ? 'Upload recording and send' : props.receipt ? 'Send again' : 'Send',
);
</script>

<template>
  <div class="cell stack close">
    <p :class="state.tone" role="status">
      <b
        ><span aria-hidden="true">{{ state.sign }}</span> {{ state.word }}</b
      >
    </p>
    <p v-if="state.more">{{ state.more }}</p>
    <p v-if="receipt" class="figures fine-print">{{ receipt.file }}</p>
    <p v-if="work && state.can" class="row wrap">
      <TextButton v-if="state.can === 'stop'" @click="$emit('change', work, 'stop')"> Stop </TextButton>
      <TextButton v-else @click="$emit('change', work, 'again')">Try again</TextButton>
    </p>
    <p v-if="machineThere" class="warn">△ A machine track is also there</p>
    <div v-if="places.length > 0" class="cell-place">
      <span aria-hidden="true" class="soft">Recording there</span>
      <SelectField v-model="place" :label="`Recording at ${name}`" :options="choices" :width="230" />
    </div>
    <p class="row wrap">
      <TextButton
        main
        :disabled="!kept || busy || (place === '' && trouble !== null)"
        @click="$emit('send', place === '' ? null : place)"
      >
        {{ sendLabel }}
      </TextButton>
      <a v-if="receipt?.watch && receipt.state === 'live'" :href="receipt.watch" target="_blank" rel="noopener"
        >Open the watch page</a
      >
    </p>
    <template v-if="trouble">
      <p class="bad" role="alert">{{ trouble }}</p>
      <p v-if="places.length === 0">
        <TextButton @click="$emit('again')">Retry</TextButton>
      </p>
    </template>
  </div>
</template>

<style scoped>
.cell {
  max-width: 320px;
}
.cell .row {
  margin-top: 6px;
}
</style>
