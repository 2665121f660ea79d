<script setup lang="ts">
import RowButton from '../controls/RowButton.vue';
import { computed } from 'vue';
import { marginClock } from '../../core/time/clock.ts';
import type { Caption } from '../../core/track/caption.ts';

const props = defineProps<{ captions: readonly Caption[]; here: string | null; title: string }>();
defineEmits<{ choose: [caption: Caption]; edit: [caption: Caption] }>();
/** Long lists are cut. */
const most = 100;
const shown = computed(() => props.captions.slice(0, most));
</script>

<template>
  <h3>{{ title }}</h3>
  <ol :aria-label="title">
    <li v-for="caption in shown" :key="caption.id" :class="{ here: caption.id === here }">
      <RowButton @click="$emit('choose', caption)" @dblclick="$emit('edit', caption)">
        <span class="figures soft">{{ marginClock(caption.start) }}</span>
        <span class="list-text" dir="auto">{{ caption.text }}</span>
      </RowButton>
    </li>
  </ol>
  <p v-if="captions.length > most" class="soft">And {{ captions.length - most }} more.</p>
</template>

<style scoped>
h3 {
  font-size: 15px;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  border-bottom: 1px solid var(--rule);
}
li.here {
  background: var(--sheet);
  box-shadow: inset 3px 0 0 var(--ink);
}
button {
  display: flex;
  gap: 16px;
  width: 100%;
  padding: 8px 12px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.list-text {
  white-space: pre-line;
}
</style>
