<script setup lang="ts">
import { useTemplateRef } from 'vue';
import TextButton from './TextButton.vue';

/** A button that asks for a file. The input behind it is out of sight and out of the way of the keyboard. */
defineOptions({ inheritAttrs: false });
defineProps<{
  /** As an input of files takes it. */
  accept?: string;
  main?: boolean;
  large?: boolean;
  disabled?: boolean;
}>();
const emit = defineEmits<{ file: [file: File] }>();
const input = useTemplateRef<HTMLInputElement>('input');
function take(): void {
  const [file] = input.value?.files ?? [];
  if (file) emit('file', file);
  // The same file can be chosen again.
  if (input.value) input.value.value = '';
}
</script>

<template>
  <TextButton v-bind="$attrs" :main="main" :large="large" :disabled="disabled" @click="input?.click()"
    ><slot></slot
  ></TextButton>
  <input
    ref="input"
    type="file"
    class="visually-hidden"
    tabindex="-1"
    aria-hidden="true"
    :accept="accept"
    @change="take"
  />
</template>
