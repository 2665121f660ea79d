<script setup lang="ts">
import { languageFor } from '../../import/language.ts';
import ProgressBar from '../../ui/controls/ProgressBar.vue';
import CheckField from '../../ui/controls/CheckField.vue';
import ChoiceCards from '../../ui/controls/ChoiceCards.vue';
import FormField from '../../ui/controls/FormField.vue';
import TextField from '../../ui/controls/TextField.vue';
import { useFaults } from '../../ui/controls/use-faults.ts';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { sentence } from '../../../core/contract/api-error.ts';
import { ask } from '../../data/client/client.ts';
import type { ReadResult } from '../../../core/formats/format.ts';
import type { NewJob } from '../../../core/contract/jobs.ts';
import type { FrameRate } from '../../../core/timing/clock/frames.ts';
import { titleFault } from '../../../core/contract/title.ts';
import { caption } from '../../../core/model/caption.ts';
import type { Recording } from '../../../core/job/job.ts';
import ImportCard from '../../import/ImportCard.vue';
import { useImport } from '../../import/use-import.ts';
import PageHeader from '../../ui/controls/PageHeader.vue';
import { recordingInWords } from '../../ui/describe/recordings.ts';
import LanguageField from '../../ui/describe/LanguageField.vue';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useStyles } from '../../data/jobs/styles.ts';
import { newId } from '../../data/sync/ids.ts';
import { trackFrom } from '../../import/add-track.ts';
import { importRecording } from '../../recording/media/import-recording.ts';
import FileQuestion from './FileQuestion.vue';
import TextButton from '../../ui/controls/TextButton.vue';

const router = useRouter();
const title = ref('');
const preferences = usePreferences();
const language = ref(preferences.usualLanguage);
const styles = useStyles();
/** The one that was used last, where there still is one of that name. */
const usualStyle = computed(() => styles.all.find((s) => s.id === preferences.usualStyle) ?? styles.all[0]);
const chosen = ref<string | null>(null);
const style = computed({
  get: () => chosen.value ?? usualStyle.value?.id ?? '',
  set: (id) => (chosen.value = id),
});
const recording = shallowRef<Recording | null>(null);
/** Of its pictures, where it tells. */
const rate = shallowRef<FrameRate | null>(null);
const recordingState = ref<{ tone: 'soft' | 'good' | 'bad'; text: string }>({ tone: 'soft', text: '' });
const share = ref<number | null>(null);
const chosenStyle = computed(() => styles.all.find((s) => s.id === style.value) ?? null);
const words = useImport(chosenStyle);
const draft = words.understood;
/** How long a caption is there until it is timed, in ms. */
const firstLength = 2000;
const { id: _id, ...firstCaption } = caption({ id: '', start: 0, end: firstLength, text: '' });
/** There are no words yet: the captions are typed and timed from the recording alone. */
const fromNothing = ref(false);
const noWords: Pick<ReadResult, 'captions' | 'foreign'> & { readonly format: null } = {
  // Something to write in, whose times come afterwards.
  captions: [{ ...firstCaption, timing: 'provisional' }],
  foreign: null,
  format: null,
};
const trouble = ref<string | null>(null);
const making = ref(false);
let uploading = new AbortController();
const cards = computed(() =>
  styles.all.map((s) => ({
    value: s.id,
    title: s.name,
    detail: `${String(s.text.lineLength.limit)} characters a line, ${String(s.text.lines.limit)} ${s.text.lines.limit === 1 ? 'line' : 'lines'}, ${String(s.reading.speed.limit)} cps`,
  })),
);

async function takeRecording(file: File): Promise<void> {
  uploading.abort();
  const { signal } = (uploading = new AbortController());
  recording.value = null;
  trouble.value = null;
  const progress = (now: number): void => {
    if (signal.aborted) return;
    share.value = now;
    recordingState.value = { tone: 'soft', text: `Uploading ${file.name}…` };
  };
  try {
    recordingState.value = { tone: 'soft', text: `Reading ${file.name}…` };
    const { recording: kept, about } = await importRecording(file, progress, signal);
    recording.value = kept;
    // Where it says nothing the usual rate stands, which can be changed.
    rate.value = about?.rate ?? null;
    title.value ||= file.name.replace(/\.[^.]+$/, '').replace(/[-_]+/g, ' ');
    recordingState.value = { tone: 'good', text: `✓ ${file.name}: ${recordingInWords(kept, rate.value)}` };
  } catch (error) {
    // Another was chosen meanwhile, and says how it fares.
    if (signal === uploading.signal) recordingState.value = { tone: 'bad', text: sentence(error) };
  } finally {
    if (signal === uploading.signal) share.value = null;
  }
}

watch(draft, (file) => {
  if (!file) return;
  fromNothing.value = false;
  language.value = languageFor(file, words.name.value, language.value);
});

const faults = useFaults(
  () => ({
    recording:
      share.value !== null ? 'The recording is still uploading.' : recording.value ? null : 'Choose a recording first.',
    title: titleFault(title.value),
    words:
      words.reading.value && !fromNothing.value
        ? 'The words are still being read.'
        : draft.value || fromNothing.value
          ? null
          : 'Choose the words: a machine draft or a caption file, or say that there are none yet.',
  }),
  '.intake',
);

interface Wanted {
  readonly title: string;
  readonly language: string;
  readonly style: string;
  readonly recording: string;
  readonly recordingName: string;
  readonly rate?: FrameRate;
}
let last: { readonly key: string; readonly from: ReadResult | null; readonly job: NewJob } | null = null;

/** The job with its tracks as one request; asked for again after an answer that was lost, the same one, which is made once. */
function requested(wanted: Wanted, from: ReadResult | null): NewJob {
  const key = JSON.stringify(wanted);
  if (last?.key === key && last.from === from) return last.job;
  const { language } = wanted;
  const words = from ?? noWords;
  const tracks = [
    ...(words.format === 'ctm' ? [trackFrom({ kind: 'machine', name: 'machine draft', language }, words)] : []),
    trackFrom({ kind: 'captions', name: 'fair copy', language }, words),
  ];
  last = { key, from, job: { ...wanted, id: newId(), tracks } };
  return last.job;
}

async function make(): Promise<void> {
  if (!faults.isSound() || !recording.value) return;
  making.value = true;
  trouble.value = null;
  try {
    const wanted = {
      title: title.value,
      language: language.value,
      style: style.value,
      recording: recording.value.hash,
      recordingName: recording.value.name,
      ...(rate.value && { rate: rate.value }),
    };
    const job = await ask('POST /api/jobs', { body: requested(wanted, fromNothing.value ? null : draft.value) });
    [preferences.usualLanguage, preferences.usualStyle] = [wanted.language, wanted.style];
    await router.push({ name: 'words', params: { job: job.id } });
  } catch (error) {
    trouble.value = sentence(error);
  } finally {
    making.value = false;
  }
}
onMounted(() => {
  document.title = 'New job · Fenwix';
  // While the server is away the styles that ship are there.
  styles.load().catch(() => undefined);
});
</script>

<template>
  <PageHeader title="New job" />
  <main class="intake page-column">
    <FileQuestion
      number="1"
      title="The recording"
      button="Choose a recording"
      accept="video/*,audio/*"
      :tone="recordingState.tone"
      :text="recordingState.text"
      :fault="faults.beside('recording')"
      @file="takeRecording"
    >
      <p class="soft">Picture and sound, or sound only. WebM, MP4, WAV, MP3, FLAC or Ogg.</p>
      <p v-if="share !== null" class="intake-progress row wide">
        <ProgressBar label="Upload of the recording" :share="share" />
        <TextButton @click="uploading.abort()">Stop</TextButton>
      </p>
      <template #more>
        <FormField v-slot="{ field }" label="Language spoken">
          <LanguageField :id="field.id" v-model="language" label="Language spoken" />
        </FormField>
        <FormField v-slot="{ field }" label="Title" :fault="faults.beside('title')" required>
          <TextField v-bind="field" v-model="title" placeholder="As it will stand on the Jobs page" dir="auto" />
        </FormField>
      </template>
    </FileQuestion>
    <FileQuestion
      number="2"
      title="The words"
      button="Choose a draft or caption file"
      accept=""
      tone="soft"
      text=""
      :fault="faults.beside('words')"
      @file="words.take"
    >
      <p v-if="!words.here.value" class="soft">
        A machine draft with word times (CTM), captions from elsewhere (SRT, WebVTT, TTML, timed text), or a transcript.
      </p>
      <ImportCard v-else :file="words" />
      <template #more>
        <CheckField v-model="fromNothing">There are none yet: I type them from the recording</CheckField>
      </template>
    </FileQuestion>
    <section class="intake-rules stack" aria-labelledby="rules-title">
      <h2 id="rules-title"><span class="figures good" aria-hidden="true">3</span> The rules</h2>
      <ChoiceCards v-model="style" label="House style" :options="cards">
        <template #default="{ option }">
          <b>{{ option.title }}</b><small>{{ option.detail }}</small>
        </template>
      </ChoiceCards>
    </section>
    <p><TextButton main large :disabled="making" @click="make">Create the job</TextButton></p>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
  </main>
</template>

<style scoped>
.intake {
  max-width: 808px;
}
.intake-progress {
  max-width: 480px;
}
.intake-rules {
  padding: 20px 0;
}
</style>
