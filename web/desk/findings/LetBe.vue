<script setup lang="ts">
import TextField from '../../ui/controls/TextField.vue';
import { nextTick, ref, useTemplateRef } from 'vue';
import TextButton from '../../ui/controls/TextButton.vue';

const emit = defineEmits<{ letBe: [reason: string] }>();
const open = ref(false);
const reason = ref('');
const input = useTemplateRef<InstanceType<typeof TextField>>('input');

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
  <TextButton v-if="!open" @click="begin">Let it be</TextButton>
  <form v-else class="let-be row" @submit.prevent="finish" @keydown.esc.stop="open = false">
    <TextField
      ref="input"
      v-model="reason"
      small
      class="let-be-reason"
      label="The reason to let it be"
      placeholder="Reason"
      :maxlength="200"
    />
    <TextButton submit :disabled="reason.trim() === ''">Let it be</TextButton>
  </form>
</template>

<style scoped>
.let-be-reason {
  width: 140px;
}
</style>
