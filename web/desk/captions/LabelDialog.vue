<script setup lang="ts">
import FormField from '../../ui/controls/FormField.vue';
import SuggestField from '../../ui/controls/SuggestField.vue';
import { computed, nextTick, ref, watch } from 'vue';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useSeveral } from './use-several.ts';
import DialogSheet from '../../ui/controls/DialogSheet.vue';
import TextButton from '../../ui/controls/TextButton.vue';

const dialogs = useDialogs();
const track = useTrack();
const several = useSeveral();
const labelOpen = dialogs.bound('label');
const speaker = ref('');
const speakers = computed(() => [
  ...new Set(track.captions.flatMap((c) => c.speakers.map((s) => s.speaker)).filter(Boolean)),
]);
const which = computed(() => {
  const many = several.captions.value.length;
  return many === 1 ? 'this caption' : `these ${String(many)} captions`;
});
watch(
  labelOpen,
  (now) => {
    if (!now) return;
    speaker.value = several.captions.value[0]?.speakers[0]?.speaker ?? '';
    void nextTick(() => setTimeout(() => document.getElementById('label-speaker')?.focus()));
  },
  { immediate: true },
);
function label(): void {
  several.label(speaker.value);
  labelOpen.value = false;
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
</template>
