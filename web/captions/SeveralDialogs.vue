<script setup lang="ts">
import FormField from '../controls/FormField.vue';
import SuggestField from '../controls/SuggestField.vue';
import TextField from '../controls/TextField.vue';
import { useFaults } from '../controls/use-faults.ts';
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

const faults = useFaults(
  () => ({ by: ms.value ? null : 'Write seconds as a number, as in 0.4 or −1.2.' }),
  '.shift-form',
);

watch(
  [labelOpen, shiftOpen],
  ([label, shift]) => {
    speaker.value = several.captions.value[0]?.speakers[0]?.speaker ?? '';
    by.value = '';
    faults.reset();
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
  if (!faults.isSound() || ms.value === null) return;
  several.shift(ms.value);
  shiftOpen.value = false;
}
</script>

<template>
  <DialogSheet v-model:open="labelOpen" :title="`Who speaks in ${which}?`" :width="440" :footer="null">
    <form class="stack start" @submit.prevent="label">
      <FormField
        id="label-speaker"
        v-slot="{ field }"
        label="Speaker"
        hint="The first gets the label, in the form of the house style. Empty removes it."
      >
        <SuggestField v-bind="field" v-model="speaker" label="Speaker" :options="speakers" />
      </FormField>
      <TextButton main submit>Label</TextButton>
    </form>
  </DialogSheet>
  <DialogSheet v-model:open="shiftOpen" :title="`Shift ${which}`" :width="440" :footer="null">
    <form class="shift-form stack start" @submit.prevent="shift">
      <FormField id="shift-by" v-slot="{ field }" label="Seconds" :fault="faults.beside('by')">
        <TextField v-bind="field" v-model="by" inputmode="decimal" placeholder="0.4, or −1.2 for earlier" />
      </FormField>
      <TextButton main submit>Shift</TextButton>
    </form>
  </DialogSheet>
</template>
