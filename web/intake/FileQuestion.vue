<script setup lang="ts">
import { ref } from 'vue';
import FileButton from '../controls/FileButton.vue';

defineProps<{
  number: string;
  title: string;
  button: string;
  accept: string;
  tone: 'soft' | 'good' | 'bad';
  text: string;
}>();
const emit = defineEmits<{ file: [file: File] }>();
const over = ref(false);

function take(files: FileList | null | undefined): void {
  over.value = false;
  const file = files?.[0];
  if (file) emit('file', file);
}
</script>

<template>
  <section
    class="question"
    :class="{ over }"
    :aria-label="title"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="take($event.dataTransfer?.files)"
  >
    <h2>
      <span class="figures" aria-hidden="true">{{ number }}</span> {{ title }}
    </h2>
    <slot></slot>
    <p class="question-choose">
      <FileButton large :accept="accept" @file="emit('file', $event)">{{ button }}</FileButton>
      <span class="soft">or drop it here</span>
    </p>
    <slot name="more"></slot>
    <p v-if="text" :class="tone" :role="tone === 'bad' ? 'alert' : 'status'">{{ text }}</p>
  </section>
</template>

<style scoped>
.question {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 20px 0;
  border-bottom: 1px solid var(--rule);
}
.question.over {
  background: var(--water-wash);
  outline: 2px dashed var(--water);
  outline-offset: 6px;
}
h2 {
  font-size: 18px;
}
h2 .figures {
  margin-right: 8px;
  color: var(--reed);
}
.question-choose {
  display: flex;
  align-items: center;
  gap: 12px;
}
.good {
  color: var(--reed);
}
.bad {
  color: var(--alarm);
}
</style>
