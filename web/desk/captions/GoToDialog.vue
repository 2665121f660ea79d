<script setup lang="ts">
import { nextTick, ref, watch } from 'vue';
import { useJob } from '../../data/jobs/job.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import CheckField from '../../ui/controls/CheckField.vue';
import DialogSheet from '../../ui/controls/DialogSheet.vue';
import FormField from '../../ui/controls/FormField.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import TextField from '../../ui/controls/TextField.vue';
import { placeOf } from './go-to.ts';

/** To a caption by its number, or to a moment. */
const open = useDialogs().bound('go-to');
const job = useJob();
const track = useTrack();
const cursor = useCursor();
const playback = usePlayback();
const preferences = usePreferences();
const typed = ref('');
const fault = ref<string | null>(null);
watch(
  open,
  (now) => {
    if (!now) return;
    [typed.value, fault.value] = ['', null];
    void nextTick(() => setTimeout(() => document.getElementById('go-to')?.focus()));
  },
  { immediate: true },
);
function go(): void {
  const place = placeOf(typed.value, track.captions, { now: playback.time, rate: job.job?.rate ?? null });
  if ('fault' in place) {
    fault.value = place.fault;
    return;
  }
  open.value = false;
  if (place.caption !== null) cursor.goTo(place.caption, 'chosen');
  if (place.ms !== null) playback.seek(place.ms);
}
</script>

<template>
  <DialogSheet v-model:open="open" title="Go to" :width="420" :footer="null">
    <form class="stack start" @submit.prevent="go">
      <FormField
        id="go-to"
        v-slot="{ field }"
        label="The number of a caption, or a time"
        hint="As 214, or as 12:30."
        :fault="fault"
      >
        <TextField v-bind="field" v-model="typed" />
      </FormField>
      <CheckField v-model="preferences.showsNumbers">Show the numbers of captions</CheckField>
      <TextButton main submit>Go there</TextButton>
    </form>
  </DialogSheet>
</template>
