<script setup lang="ts">
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue';
import type { ReadResult } from '../../core/formats/format.ts';
import type { TrackKind } from '../../core/track/caption.ts';
import { sentence } from '../../core/contract/api-error.ts';
import ArrivalCard from '../import/ImportCard.vue';
import { useImport } from '../import/use-import.ts';
import { fullName, languages } from '../describe/languages.ts';
import { useDroppedFile } from '../stores/dropped-file.ts';
import { useJob } from '../stores/job.ts';
import { useTrack } from '../stores/track.ts';
import { addTrack, trackFrom, type MadeTrack } from '../import/add-track.ts';
import TrackList from './TrackList.vue';

const job = useJob();
const track = useTrack();
const arriving = useDroppedFile();
const arrival = useImport(computed(() => job.job?.style ?? null));
const chooser = useTemplateRef<HTMLInputElement>('chooser');
const trouble = ref<string | null>(null);
const adding = ref(false);
const added = ref('');
const kind = ref<TrackKind>('captions');
const language = ref('');
const name = ref('');
const kinds: Readonly<Record<TrackKind, string>> = {
  captions: 'captions',
  subtitles: 'subtitles',
  transcript: 'a transcript',
  machine: 'a machine draft',
};
const { understood } = arrival;
const known = shallowRef(languages);

async function take(file: File | null | undefined): Promise<void> {
  if (!file) return;
  added.value = '';
  trouble.value = null;
  await arrival.take(file);
  name.value = file.name.replace(/\.[^.]+$/, '').slice(0, 120);
}
watch(understood, (file) => {
  if (!file) return;
  language.value = file.language ?? job.job?.language ?? 'en';
  if (!known.value.includes(language.value)) known.value = [...known.value, language.value];
  const other = language.value.split('-')[0] !== job.job?.language.split('-')[0];
  kind.value =
    file.format === 'txt' || file.format === 'html'
      ? 'transcript'
      : file.format === 'ctm'
        ? 'machine'
        : other
          ? 'subtitles'
          : 'captions';
});
watch(
  () => arriving.file,
  (file) => {
    arriving.file = null;
    void take(file);
  },
  { immediate: true },
);
function onChosen(): void {
  void take(chooser.value?.files?.[0]);
  // So that the same file can be chosen again after it was mended.
  if (chooser.value) chooser.value.value = '';
}
let made: { readonly key: string; readonly from: ReadResult; readonly track: MadeTrack } | null = null;
async function add(): Promise<void> {
  if (!job.job || !understood.value) return;
  adding.value = true;
  trouble.value = null;
  try {
    const wanted = { kind: kind.value, name: name.value.trim(), language: language.value };
    // Asked again after an answer that was lost, the same track is sent, and made once.
    const key = JSON.stringify(wanted);
    if (made?.key !== key || made.from !== understood.value)
      made = { key, from: understood.value, track: trackFrom(wanted, understood.value) };
    await addTrack(job.job.id, made.track);
    added.value = `“${name.value.trim()}” is a track of this job now.`;
    arrival.leave();
    await job.refresh();
  } catch (error) {
    trouble.value = `The track was not added: ${sentence(error)}`;
  } finally {
    adding.value = false;
  }
}
async function open(id: string): Promise<void> {
  if (!job.job) return;
  job.choose(id);
  await track.open(id);
}
</script>

<template>
  <div class="stage-bar">
    <h2>Tracks</h2>
    <span class="soft">what this job holds, and what comes in</span>
    <button type="button" class="plain-button tracks-bring" @click="chooser?.click()">Bring in a file</button>
    <input
      ref="chooser"
      class="visually-hidden"
      type="file"
      tabindex="-1"
      aria-label="Bring in a file"
      @change="onChosen"
    />
  </div>
  <div class="tracks">
    <p v-if="added" role="status" class="tracks-added">✓ {{ added }}</p>
    <section v-if="arrival.here.value" class="tracks-arrival" aria-label="The file that has come in">
      <ArrivalCard :arrival="arrival">
        <form class="tracks-form" @submit.prevent="add">
          <label>
            It is
            <select v-model="kind" class="plain-button">
              <option v-for="(words, k) in kinds" :key="k" :value="k">{{ words }}</option>
            </select>
          </label>
          <label>
            in
            <select v-model="language" class="plain-button">
              <option v-for="tag in known" :key="tag" :value="tag">{{ fullName(tag) }}</option>
            </select>
          </label>
          <label class="tracks-name">
            called
            <input v-model="name" class="text-input" type="text" maxlength="120" required />
          </label>
          <button type="submit" class="plain-button main" :disabled="adding || name.trim() === ''">
            Add the track
          </button>
          <button type="button" class="plain-button" @click="arrival.leave()">Leave it</button>
        </form>
      </ArrivalCard>
      <p v-if="arrival.trouble.value || (arrival.reading.value && !understood)">
        <button type="button" class="plain-button" @click="arrival.leave()">Leave it</button>
      </p>
      <p v-if="trouble" class="tracks-trouble" role="alert">{{ trouble }}</p>
    </section>
    <TrackList
      :tracks="job.job?.tracks ?? []"
      :open="track.track?.id ?? ''"
      :edit="track.track?.edit ?? 0"
      @open="open"
    />
    <p v-if="!arrival.here.value" class="soft tracks-hint">
      Captions, subtitles, a machine draft or a transcript can be dropped anywhere on the job: SRT, WebVTT, TTML, CTM,
      timed text, plain text, HTML, or a Fenwix track. You see what was understood before anything is added.
    </p>
  </div>
</template>

<style scoped>
.tracks {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 16px;
  min-height: 0;
  padding: 16px;
  overflow-y: auto;
}
.tracks-bring {
  margin-left: auto;
}
.tracks-added {
  color: var(--reed);
}
.tracks-trouble {
  margin-top: 10px;
  color: var(--alarm);
}
.tracks-arrival {
  max-width: 760px;
  padding-bottom: 16px;
  border-bottom: 2px solid var(--reed);
}
.tracks-form {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  padding-bottom: 6px;
}
.tracks-name {
  display: flex;
  flex: 1 1 110px;
  align-items: center;
  gap: 6px;
}
.tracks-name input {
  flex: 1;
  width: 0;
  min-width: 60px;
}
.tracks-hint {
  max-width: 620px;
}
</style>
