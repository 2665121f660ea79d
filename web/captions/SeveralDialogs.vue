<script setup lang="ts">
import TextField from '../controls/TextField.vue';
import { computed, nextTick, ref, watch } from 'vue';
import { useDialogs } from '../stores/dialogs.ts';
import { useTrack } from '../stores/track.ts';
import { useSeveral } from './use-several.ts';
import DialogSheet from '../controls/DialogSheet.vue';
import TextButton from '../controls/TextButton.vue';

const dialogs = useDialogs();
const track = useTrack();
const several = useSeveral();
const [labelOpen, shiftOpen] = [dialogs.bound('label'), dialogs.bound('shift')];
const speaker = ref('');
const by = ref('');
const speakers = computed(() => [
  ...new Set(track.captions.flatMap((c) => c.speakers.map((s) => s.speaker)).filter(Boolean)),
]);
const which = computed(() => {
  const many = several.captions.value.length;
  return many === 1 ? 'this caption' : `these ${String(many)} captions`;
});
/** In ms; null while it is no number. */
const ms = computed(() => {
  const seconds = Number(by.value.trim().replace(',', '.').replace('−', '-'));
  return by.value.trim() !== '' && Number.isFinite(seconds) ? Math.round(seconds * 1000) : null;
});

watch(
  [labelOpen, shiftOpen],
  ([label, shift]) => {
    speaker.value = several.captions.value[0]?.speakers[0]?.speaker ?? '';
    by.value = '';
    const id = label ? 'label-speaker' : shift ? 'shift-by' : null;
    if (id) void nextTick(() => setTimeout(() => document.getElementById(id)?.focus()));
  },
  { immediate: true },
);
function label(): void {
  several.label(speaker.value);
  labelOpen.value = false;
}
function shift(): void {
  if (ms.value === null) return;
  several.shift(ms.value);
  shiftOpen.value = false;
}
</script>

<template>
  <DialogSheet v-model:open="labelOpen" :title="`Who speaks in ${which}?`" :width="440" :footer="null">
    <form class="several-form" @submit.prevent="label">
      <label for="label-speaker">Speaker</label>
      <TextField id="label-speaker" v-model="speaker" list="label-speakers" autocomplete="off" dir="auto" />
      <datalist id="label-speakers">
        <option v-for="name in speakers" :key="name" :value="name" />
      </datalist>
      <p class="soft">The first gets the label, in the form of the house style. Empty removes it.</p>
      <TextButton main submit>Label</TextButton>
    </form>
  </DialogSheet>
  <DialogSheet v-model:open="shiftOpen" :title="`Shift ${which}`" :width="440" :footer="null">
    <form class="several-form" @submit.prevent="shift">
      <label for="shift-by">Seconds</label>
      <TextField
        id="shift-by"
        v-model="by"
        inputmode="decimal"
        placeholder="0.4, or −1.2 for earlier"
        :invalid="by.trim() !== '' && ms === null"
        aria-describedby="shift-fault"
      />
      <p v-if="by.trim() !== '' && ms === null" id="shift-fault" class="several-fault" role="alert">
        Write seconds as a number, as in 0.4 or −1.2.
      </p>
      <TextButton main submit :disabled="!ms">Shift</TextButton>
    </form>
  </DialogSheet>
</template>

<style scoped>
.several-form {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 8px;
}
.several-fault {
  color: var(--alarm);
}
</style>
