<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { withIds } from '../../core/formats/cue.ts';
import { Unreadable, type ReadResult } from '../../core/formats/format.ts';
import { decodeText, formatNamed, readCaptions } from '../../core/formats/registry.ts';
import { shippedStyles } from '../../core/rules/style.ts';
import { lengthInWords } from '../../core/time/clock.ts';
import { ask, sentence } from '../api/client.ts';
import type { Job, Recording, TrackSummary } from '../../core/job/job.ts';
import { uploadRecording, type Upload } from '../api/upload.ts';
import PageHeader from '../frame/PageHeader.vue';
import { bytesInWords } from '../jobs/describe.ts';
import { newId } from '../outbox/deliver.ts';
import FileQuestion from './FileQuestion.vue';
import { probe } from './probe.ts';

const router = useRouter();
const title = ref('');
const language = ref('en-GB');
const style = ref(shippedStyles[0]?.id ?? '');
const recording = shallowRef<Recording | null>(null);
const recordingState = ref<{ tone: 'soft' | 'good' | 'bad'; text: string }>({ tone: 'soft', text: '' });
const share = ref<number | null>(null);
const draft = shallowRef<ReadResult | null>(null);
const draftState = ref<{ tone: 'soft' | 'good' | 'bad'; text: string }>({ tone: 'soft', text: '' });
const trouble = ref<string | null>(null);
const making = ref(false);
let upload: Upload | null = null;
let words: File | null = null;
const languages = [
  'en-GB',
  'en-US',
  'en',
  'cy',
  'fr',
  'de',
  'es',
  'it',
  'pt',
  'nl',
  'pl',
  'ar',
  'he',
  'hi',
  'ja',
  'zh',
] as const;
const names = new Intl.DisplayNames('en', { type: 'language' });

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
    recording.value = await ask<Recording>('PATCH', `/recordings/${kept.hash}`, probed);
    title.value ||= file.name.replace(/\.[^.]+$/, '').replace(/[-_]+/g, ' ');
    const size = probed.width > 0 ? `${String(probed.width)} × ${String(probed.height)}` : 'sound only';
    recordingState.value = {
      tone: 'good',
      text: `✓ ${file.name}: ${lengthInWords(probed.length)}, ${size}, ${bytesInWords(file.size)}`,
    };
  } catch (error) {
    recordingState.value = { tone: 'bad', text: sentence(error) };
  } finally {
    share.value = null;
  }
}

async function readWords(): Promise<void> {
  if (!words) return;
  try {
    const chosen = shippedStyles.find((s) => s.id === style.value);
    if (!chosen) return;
    const result = readCaptions(decodeText(new Uint8Array(await words.arrayBuffer())), chosen);
    draft.value = result;
    const what =
      result.format === 'ctm' ? 'machine draft with word times' : (formatNamed(result.format)?.title ?? result.format);
    const mended =
      result.mended.length > 0
        ? `; ${String(result.mended.length)} things mended, the first on line ${String(result.mended[0]?.line)}`
        : '';
    draftState.value = {
      tone: 'good',
      text: `✓ ${words.name}: ${what}, ${String(result.captions.length)} captions${mended}`,
    };
  } catch (error) {
    draft.value = null;
    const text = error instanceof Unreadable ? error.message : `The file could not be read: ${sentence(error)}`;
    draftState.value = { tone: 'bad', text: `${words.name}: ${text} Nothing was changed; choose another file.` };
  }
}
async function takeWords(file: File): Promise<void> {
  words = file;
  draftState.value = { tone: 'soft', text: `Reading ${file.name}…` };
  await readWords();
}

const missing = computed(() => {
  if (share.value !== null) return 'The recording is still on its way.';
  if (!recording.value) return 'Choose a recording first.';
  if (!draft.value) return 'Choose the words first: a machine draft or a caption file.';
  return title.value.trim() === '' ? 'Give the job a title.' : null;
});

async function addTrack(job: Job, kind: 'machine' | 'captions', name: string, result: ReadResult): Promise<void> {
  const track = await ask<TrackSummary>('POST', `/jobs/${job.id}/tracks`, { kind, name, language: language.value });
  await ask('POST', `/tracks/${track.id}/edits`, {
    id: newId(),
    base: 0,
    edits: [{ type: 'insert', captions: withIds(result.captions, newId) }],
  });
}
async function make(): Promise<void> {
  if (missing.value || !recording.value || !draft.value) return;
  making.value = true;
  trouble.value = null;
  try {
    const job = await ask<Job>('POST', '/jobs', {
      title: title.value,
      language: language.value,
      style: style.value,
      recording: recording.value.hash,
    });
    if (draft.value.format === 'ctm') await addTrack(job, 'machine', 'machine draft', draft.value);
    await addTrack(job, 'captions', 'fair copy', draft.value);
    await router.push({ name: 'words', params: { job: job.id } });
  } catch (error) {
    trouble.value = sentence(error);
  } finally {
    making.value = false;
  }
}
onMounted(() => (document.title = 'New job · Fenwix'));
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
      accept=".srt,.vtt,.ctm,.txt,text/*"
      :tone="draftState.tone"
      :text="draftState.text"
      @file="takeWords"
    >
      <p class="soft">A machine draft with word times (CTM), or captions from elsewhere (SRT, WebVTT).</p>
      <label
        >Language spoken
        <select v-model="language" class="plain-button">
          <option v-for="tag in languages" :key="tag" :value="tag">{{ names.of(tag) }}</option>
        </select>
      </label>
    </FileQuestion>
    <section class="intake-rules" aria-labelledby="rules-title">
      <h2 id="rules-title"><span class="figures" aria-hidden="true">3</span> The rules</h2>
      <div class="intake-styles" role="radiogroup" aria-label="House style">
        <label v-for="s in shippedStyles" :key="s.id" :class="{ chosen: s.id === style }">
          <input v-model="style" type="radio" name="style" :value="s.id" @change="readWords" />
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
          maxlength="200"
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
  display: flex;
  gap: 12px;
  margin-bottom: 16px;
}
.intake-styles label {
  display: flex;
  align-items: baseline;
  gap: 10px;
  flex: 1;
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
