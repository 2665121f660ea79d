<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { lengthInWords } from '../../core/time/clock.ts';
import { sentence } from '../../core/contract/api-error.ts';
import { ask } from '../api/client.ts';
import type { ReadResult } from '../../core/formats/format.ts';
import type { NewJob } from '../../core/contract/jobs.ts';
import { titleFault } from '../../core/contract/title.ts';
import { mostCharacters } from '../../core/contract/limits.ts';
import type { Recording } from '../../core/job/job.ts';
import ArrivalCard from '../import/ImportCard.vue';
import { useImport } from '../import/use-import.ts';
import { uploadPoster, uploadRecording, type Upload } from '../api/upload.ts';
import PageHeader from '../controls/PageHeader.vue';
import { bytesInWords } from '../describe/jobs.ts';
import { fullName, languages } from '../describe/languages.ts';
import { useStyles } from '../stores/styles.ts';
import { newId } from '../sync/ids.ts';
import { trackFrom } from '../import/add-track.ts';
import FileQuestion from './FileQuestion.vue';
import { probe } from '../media/probe.ts';

const router = useRouter();
const title = ref('');
const language = ref('en-GB');
const styles = useStyles();
const style = ref(styles.all[0]?.id ?? '');
const recording = shallowRef<Recording | null>(null);
const recordingState = ref<{ tone: 'soft' | 'good' | 'bad'; text: string }>({ tone: 'soft', text: '' });
const share = ref<number | null>(null);
const chosenStyle = computed(() => styles.all.find((s) => s.id === style.value) ?? null);
const words = useImport(chosenStyle);
const draft = words.understood;
const trouble = ref<string | null>(null);
const making = ref(false);
let upload: Upload | null = null;
const known = shallowRef(languages);

async function takeRecording(file: File): Promise<void> {
  upload?.stop();
  recording.value = null;
  trouble.value = null;
  try {
    recordingState.value = { tone: 'soft', text: `Looking at ${file.name}…` };
    const probed = await probe(file);
    share.value = 0;
    recordingState.value = { tone: 'soft', text: `Bringing in ${file.name}…` };
    upload = uploadRecording(file, (now) => (share.value = now));
    const kept = await upload.done;
    recording.value = await ask('PATCH /api/recordings/:hash', { params: { hash: kept.hash }, body: probed.measured });
    // The list of jobs draws it later where this does not come through.
    if (probed.poster) uploadPoster(kept.hash, probed.poster).catch(() => undefined);
    title.value ||= file.name.replace(/\.[^.]+$/, '').replace(/[-_]+/g, ' ');
    const { length, width, height } = probed.measured;
    const size = width > 0 ? `${String(width)} × ${String(height)}` : 'sound only';
    recordingState.value = {
      tone: 'good',
      text: `✓ ${file.name}: ${lengthInWords(length)}, ${size}, ${bytesInWords(file.size)}`,
    };
  } catch (error) {
    recordingState.value = { tone: 'bad', text: sentence(error) };
  } finally {
    share.value = null;
  }
}

watch(draft, (file) => {
  if (!file?.language) return;
  if (!known.value.includes(file.language)) known.value = [...known.value, file.language];
  language.value = file.language;
});

const missing = computed(() => {
  if (share.value !== null) return 'The recording is still on its way.';
  if (!recording.value) return 'Choose a recording first.';
  if (words.reading.value) return 'The words are still being read.';
  if (!draft.value) return 'Choose the words first: a machine draft or a caption file.';
  return titleFault(title.value);
});

interface Wanted {
  readonly title: string;
  readonly language: string;
  readonly style: string;
  readonly recording: string;
}
let last: { readonly key: string; readonly from: ReadResult; readonly job: NewJob } | null = null;

/** The job with its tracks as one request; asked for again after an answer that was lost, the same one, which is made once. */
function requested(wanted: Wanted, from: ReadResult): NewJob {
  const key = JSON.stringify(wanted);
  if (last?.key === key && last.from === from) return last.job;
  const { language } = wanted;
  const tracks = [
    ...(from.format === 'ctm' ? [trackFrom({ kind: 'machine', name: 'machine draft', language }, from)] : []),
    trackFrom({ kind: 'captions', name: 'fair copy', language }, from),
  ];
  last = { key, from, job: { ...wanted, id: newId(), tracks } };
  return last.job;
}

async function make(): Promise<void> {
  if (missing.value || !recording.value || !draft.value) return;
  making.value = true;
  trouble.value = null;
  try {
    const wanted = {
      title: title.value,
      language: language.value,
      style: style.value,
      recording: recording.value.hash,
    };
    const job = await ask('POST /api/jobs', { body: requested(wanted, draft.value) });
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
  <main class="intake">
    <FileQuestion
      number="1"
      title="The recording"
      button="Choose a recording"
      accept="video/*,audio/*"
      :tone="recordingState.tone"
      :text="recordingState.text"
      @file="takeRecording"
    >
      <p class="soft">Picture and sound, or sound only. WebM, MP4, WAV, MP3, FLAC and Ogg are taken.</p>
      <p v-if="share !== null" class="intake-progress">
        <progress :value="share" aria-label="Share of the recording that has arrived"></progress>
        <span class="figures">{{ Math.floor(share * 100) }} %</span>
        <button type="button" class="plain-button" @click="upload?.stop()">Stop</button>
      </p>
    </FileQuestion>
    <FileQuestion
      number="2"
      title="The words"
      button="Choose a draft or caption file"
      accept=""
      tone="soft"
      text=""
      @file="words.take"
    >
      <p v-if="!words.here.value" class="soft">
        A machine draft with word times (CTM), captions from elsewhere (SRT, WebVTT, TTML, timed text), or a transcript.
      </p>
      <ArrivalCard v-else :arrival="words" />
      <label
        >Language spoken
        <select v-model="language" class="plain-button">
          <option v-for="tag in known" :key="tag" :value="tag">{{ fullName(tag) }}</option>
        </select>
      </label>
    </FileQuestion>
    <section class="intake-rules" aria-labelledby="rules-title">
      <h2 id="rules-title"><span class="figures" aria-hidden="true">3</span> The rules</h2>
      <div class="intake-styles" role="radiogroup" aria-label="House style">
        <label v-for="s in styles.all" :key="s.id" :class="{ chosen: s.id === style }">
          <input v-model="style" type="radio" name="style" :value="s.id" />
          <span
            ><b>{{ s.name }}</b
            ><small
              >{{ s.text.lineLength.limit }} characters a line, {{ s.text.lines.limit }} lines,
              {{ s.reading.speed.limit }} cps</small
            ></span
          >
        </label>
      </div>
      <label
        >Title
        <input
          v-model="title"
          class="text-input"
          type="text"
          :maxlength="mostCharacters.title"
          placeholder="As it should stand on the Jobs page"
        />
      </label>
    </section>
    <p class="intake-end">
      <button type="button" class="plain-button main" :disabled="missing !== null || making" @click="make">
        Make the job
      </button>
      <span class="soft" role="status">{{ missing ?? '' }}</span>
    </p>
    <p v-if="trouble" class="intake-trouble" role="alert">{{ trouble }}</p>
  </main>
</template>

<style scoped>
.intake {
  max-width: 760px;
  margin: 0 auto;
  padding: 28px 24px 60px;
}
.intake-progress {
  display: flex;
  align-items: center;
  gap: 12px;
}
progress {
  width: 260px;
  accent-color: var(--reed);
}
.intake-rules {
  padding: 20px 0;
}
h2 {
  margin-bottom: 10px;
  font-size: 18px;
}
h2 .figures {
  margin-right: 8px;
  color: var(--reed);
}
.intake-styles {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 12px;
  margin-bottom: 16px;
}
.intake-styles label {
  display: flex;
  align-items: baseline;
  gap: 10px;
  padding: 10px 14px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--sheet);
  cursor: pointer;
}
.intake-styles label.chosen {
  border-color: var(--reed);
  background: var(--reed-wash);
}
input[type='radio'] {
  accent-color: var(--reed);
}
small {
  display: block;
  color: var(--soft);
  font-size: 14px;
}
.chosen small {
  color: var(--ink);
}
input[type='text'] {
  display: block;
  width: 100%;
  margin-top: 4px;
}
.intake-end {
  display: flex;
  align-items: center;
  gap: 14px;
}
.intake-trouble {
  margin-top: 12px;
  color: var(--alarm);
}
</style>
