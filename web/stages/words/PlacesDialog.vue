<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { MatchInTrack } from '../../../core/find/replace.ts';
import PlacesList from './PlacesList.vue';
import DialogSheet from '../../ui/controls/DialogSheet.vue';
import TextButton from '../../ui/controls/TextButton.vue';

const props = defineProps<{
  title: string;
  places: readonly MatchInTrack[];
  replacement: string;
  pattern: boolean;
}>();
const emit = defineEmits<{ done: [chosen: readonly MatchInTrack[]] }>();
const open = defineModel<boolean>('open', { required: true });

const left = ref<ReadonlySet<MatchInTrack>>(new Set());
watch(open, (now) => {
  if (now) left.value = new Set();
});
const chosen = computed(() => props.places.filter((p) => !left.value.has(p)));
function toggle(place: MatchInTrack): void {
  const next = new Set(left.value);
  if (!next.delete(place)) next.add(place);
  left.value = next;
}
</script>

<template>
  <DialogSheet v-model:open="open" :title="title" :width="720" :footer="null" destroy-on-close>
    <PlacesList :places="places" :left="left" :replacement="replacement" :pattern="pattern" @toggle="toggle" />
    <div class="places-foot row">
      <TextButton main :disabled="chosen.length === 0" @click="emit('done', chosen)">
        Change {{ chosen.length === 1 ? 'one place' : `${chosen.length} places` }}
      </TextButton>
      <TextButton @click="open = false">Cancel</TextButton>
    </div>
  </DialogSheet>
</template>

<style scoped>
.places-foot {
  margin-top: 14px;
}
</style>
