<script setup lang="ts">
import { nextTick, ref, useTemplateRef } from 'vue';

const emit = defineEmits<{ letBe: [reason: string] }>();
const open = ref(false);
const reason = ref('');
const input = useTemplateRef<HTMLInputElement>('input');

async function begin(): Promise<void> {
  open.value = true;
  await nextTick();
  input.value?.focus();
}
function finish(): void {
  if (reason.value.trim() === '') return;
  emit('letBe', reason.value.trim());
  open.value = false;
  reason.value = '';
}
</script>

<template>
  <button v-if="!open" type="button" class="plain-button" @click="begin">Let it be</button>
  <form v-else class="let-be" @submit.prevent="finish" @keydown.esc.stop="open = false">
    <input
      ref="input"
      v-model="reason"
      class="text-input"
      aria-label="Why it is let be"
      placeholder="Why?"
      maxlength="200"
    />
    <button type="submit" class="plain-button" :disabled="reason.trim() === ''">Let it be</button>
  </form>
</template>

<style scoped>
.let-be {
  display: flex;
  gap: 6px;
}
.let-be input {
  width: 130px;
  font-size: 14px;
}
</style>
