<script setup lang="ts">
import { ref, watch } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import { mostCharacters } from '../../../core/contract/limits.ts';
import { titleFault } from '../../../core/contract/title.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import DialogSheet from '../../ui/controls/DialogSheet.vue';
import FormField from '../../ui/controls/FormField.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import TextField from '../../ui/controls/TextField.vue';
import { useFaults } from '../../ui/controls/use-faults.ts';
import LanguageField from '../../ui/describe/LanguageField.vue';
import { changedOf } from './job-head.ts';

/** What the job is called, the series it belongs to, and the language that is spoken in it. */
const job = useJob();
const open = useDialogs().bound('about-job');
const [title, series, language] = [ref(''), ref(''), ref('')];
const saving = ref(false);
const trouble = ref<string | null>(null);
const faults = useFaults(
  () => ({
    title: titleFault(title.value),
    series:
      series.value.trim().length > mostCharacters.series
        ? `At most ${String(mostCharacters.series)} characters are kept of a series.`
        : null,
  }),
  '.about-job',
);
watch(
  open,
  (now) => {
    if (!now || !job.job) return;
    [title.value, series.value, language.value] = [job.job.title, job.job.series, job.job.language];
    trouble.value = null;
    faults.reset();
  },
  { immediate: true },
);
async function save(): Promise<void> {
  if (!job.job || !faults.isSound()) return;
  const change = changedOf(job.job, { title: title.value, series: series.value, language: language.value });
  saving.value = true;
  try {
    if (change) await job.change(change);
    open.value = false;
  } catch (error) {
    trouble.value = `The job stays as it was: ${sentence(error)}`;
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <DialogSheet v-model:open="open" title="About this job" :width="480" :footer="null">
    <form class="about-job stack start" @submit.prevent="save">
      <FormField v-slot="{ field }" label="Title" :fault="faults.beside('title')" required>
        <TextField v-bind="field" v-model="title" dir="auto" />
      </FormField>
      <FormField v-slot="{ field }" label="Series" :fault="faults.beside('series')">
        <TextField v-bind="field" v-model="series" placeholder="None" dir="auto" />
      </FormField>
      <FormField v-slot="{ field }" label="Language spoken" hint="Each track has a language of its own, in Tracks.">
        <LanguageField :id="field.id" v-model="language" label="Language spoken" />
      </FormField>
      <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
      <TextButton main submit :disabled="saving">Save</TextButton>
    </form>
  </DialogSheet>
</template>
