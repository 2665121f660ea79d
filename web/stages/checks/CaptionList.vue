<script setup lang="ts">
import RowButton from '../../ui/controls/RowButton.vue';
import { computed } from 'vue';
import type { Caption } from '../../../core/model/caption.ts';
import { useNumbers } from '../../data/tracks/use-numbers.ts';
import { useTimes } from '../../data/tracks/times.ts';

const times = useTimes();
const numberOf = useNumbers();
const props = defineProps<{ captions: readonly Caption[]; here: string | null; title: string }>();
defineEmits<{ choose: [caption: Caption]; edit: [caption: Caption] }>();
/** Long lists are cut. */
const most = 100;
const shown = computed(() => props.captions.slice(0, most));
</script>

<template>
  <h3>{{ title }}</h3>
  <ol class="plain-list" :aria-label="title">
    <li v-for="caption in shown" :key="caption.id" class="list-row" :class="{ here: caption.id === here }">
      <RowButton class="list-choose" @click="$emit('choose', caption)" @dblclick="$emit('edit', caption)">
        <span class="figures soft"
          >{{ times.clock(caption.start)
          }}<template v-if="numberOf(caption.id) !== null"> · {{ numberOf(caption.id) }}</template></span
        >
        <span class="lines" dir="auto">{{ caption.text }}</span>
      </RowButton>
    </li>
  </ol>
  <p v-if="captions.length > most" class="soft">And {{ captions.length - most }} more.</p>
</template>

<style scoped>
.list-choose {
  display: flex;
  gap: 16px;
  padding: 8px 12px;
}
</style>
