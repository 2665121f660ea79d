<script setup lang="ts">
import { ref, useId } from 'vue';
import FileButton from '../../ui/controls/FileButton.vue';

defineProps<{
  number: string;
  title: string;
  button: string;
  accept: string;
  tone: 'soft' | 'good' | 'bad';
  text: string;
  /** What is missing, once the form was to be sent. */
  fault: string | null;
}>();
const id = useId();
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
    class="question stack ruled"
    :class="{ dropping: over }"
    :aria-label="title"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="take($event.dataTransfer?.files)"
  >
    <h2>
      <span class="figures good" aria-hidden="true">{{ number }}</span> {{ title }}
    </h2>
    <slot></slot>
    <p class="row wide">
      <FileButton
        large
        :accept="accept"
        :aria-invalid="fault ? 'true' : undefined"
        :aria-describedby="fault ? id : undefined"
        @file="emit('file', $event)"
        >{{ button }}</FileButton
      >
      <span class="soft">or drop it here</span>
    </p>
    <p v-if="fault" :id="id" class="small bad" role="alert">{{ fault }}</p>
    <slot name="more"></slot>
    <p v-if="text" :class="tone" :role="tone === 'bad' ? 'alert' : 'status'">{{ text }}</p>
  </section>
</template>

<style scoped>
.question {
  padding: 20px 0;
}
.dropping {
  background: var(--water-wash);
  outline: 2px dashed var(--water);
  outline-offset: 6px;
}
</style>
