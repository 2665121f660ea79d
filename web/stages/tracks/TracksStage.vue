<script setup lang="ts">
import { languageFor } from '../../import/language.ts';
import FileButton from '../../ui/controls/FileButton.vue';
import SelectField from '../../ui/controls/SelectField.vue';
import FormField from '../../ui/controls/FormField.vue';
import TextField from '../../ui/controls/TextField.vue';
import { useFaults } from '../../ui/controls/use-faults.ts';
import { trackNameFault } from '../../../core/contract/title.ts';
import { storeToRefs } from 'pinia';
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import type { ReadResult } from '../../../core/formats/format.ts';
import type { TrackProperties } from '../../../core/contract/tracks.ts';
import type { TrackSummary } from '../../../core/job/job.ts';
import type { TrackKind } from '../../../core/model/caption.ts';
import { sentence } from '../../../core/contract/api-error.ts';
import ImportCard from '../../import/ImportCard.vue';
import { useImport } from '../../import/use-import.ts';
import LanguageField from '../../ui/describe/LanguageField.vue';
import { kindChoices } from '../../ui/describe/tracks.ts';
import { useBeside } from '../../data/tracks/beside.ts';
import { useDroppedFile } from '../../data/jobs/dropped-file.ts';
import { ask } from '../../data/client/client.ts';
import { useCommandList } from '../../data/commands/command-list.ts';
import { untimedInWords } from '../../desk/captions/untimed.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useRetime } from '../../move-times/bar/retime.ts';
import { useMadeTracks } from './made-tracks.ts';
import { useVersions } from './use-versions.ts';
import { addTrack, trackFrom, type MadeTrack } from '../../import/add-track.ts';
import TrackCompare from './TrackCompare.vue';
import DeletedTracks from './DeletedTracks.vue';
import TrackDialog from './TrackDialog.vue';
import TrackList from './TrackList.vue';
import TrackVersions from './TrackVersions.vue';
import TextButton from '../../ui/controls/TextButton.vue';

const job = useJob();
const track = useTrack();
const messages = useMessages();
const retime = useRetime();
const dialogs = useDialogs();
const commands = useCommandList();
const beside = useBeside();
const dropped = useDroppedFile();
const incoming = useImport(computed(() => job.job?.style ?? null));
const trouble = ref<string | null>(null);
const adding = ref(false);
const made = useMadeTracks();
const { added } = storeToRefs(made);
const kind = ref<TrackKind>('captions');
const language = ref('');
const name = ref('');
const faults = useFaults(() => ({ name: trackNameFault(name.value) }), '.track-form');
const { understood } = incoming;

async function take(file: File | null | undefined): Promise<void> {
  if (!file) return;
  added.value = '';
  trouble.value = null;
  faults.reset();
  await incoming.take(file);
  name.value = file.name.replace(/\.[^.]+$/, '').slice(0, 120);
}
watch(understood, (file) => {
  if (!file) return;
  language.value = languageFor(file, incoming.name.value, job.job?.language ?? 'en');
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
  () => dropped.file,
  (file) => {
    dropped.file = null;
    void take(file);
  },
  { immediate: true },
);
/** The track that was added last, where its captions have no times. */
const untimed = ref<string | null>(null);
async function placeAdded(): Promise<void> {
  if (untimed.value === null) return;
  await open(untimed.value);
  [untimed.value, added.value] = [null, ''];
  commands.run('place-untimed');
}
let adds: { readonly key: string; readonly from: ReadResult; readonly track: MadeTrack } | null = null;
async function add(): Promise<void> {
  if (!job.job || !understood.value || !faults.isSound()) return;
  adding.value = true;
  trouble.value = null;
  try {
    const wanted = { kind: kind.value, name: name.value.trim(), language: language.value };
    // Asked again after an answer that was lost, the same track is sent, and made once.
    const key = JSON.stringify(wanted);
    if (adds?.key !== key || adds.from !== understood.value)
      adds = { key, from: understood.value, track: trackFrom(wanted, understood.value) };
    const { id, captions } = adds.track;
    await addTrack(job.job.id, adds.track);
    untimed.value = kind.value !== 'machine' && untimedInWords(captions) !== null ? id : null;
    added.value = `“${name.value.trim()}” is now a track of this job.`;
    incoming.leave();
    await job.refresh();
  } catch (error) {
    trouble.value = `The track was not added: ${sentence(error)}`;
  } finally {
    adding.value = false;
  }
}
/** @param stays what is so where it could not be done, as a sentence begins */
async function change(id: string, body: TrackProperties, stays: string): Promise<boolean> {
  try {
    await ask('PATCH /api/tracks/:id', { params: { id }, body });
    await job.refresh();
    return true;
  } catch (error) {
    messages.notice = `${stays}: ${sentence(error)}`;
    return false;
  }
}
const rename = (id: string, name: string): Promise<boolean> => change(id, { name }, 'The name stays as it was');
const { versionsOf, look, goBack } = useVersions(open);
/** The track whose language and kind are looked at. */
const about = shallowRef<TrackSummary | null>(null);
async function saveAbout(id: string, body: TrackProperties): Promise<void> {
  about.value = null;
  await change(id, body, 'The track stays as it was');
}
async function restore({ id, name }: Pick<TrackSummary, 'id' | 'name'>): Promise<void> {
  if (await change(id, { deleted: false }, 'The track was not brought back')) messages.remark = `“${name}” is back.`;
}
async function remove(gone: TrackSummary): Promise<void> {
  if (await change(gone.id, { deleted: true }, 'The track was not deleted'))
    messages.offer(`“${gone.name}” is deleted, and kept for thirty days.`, [
      { title: 'Bring it back', run: () => void restore(gone) },
    ]);
}
onBeforeUnmount(() => (added.value = ''));
const versioned = computed(() => job.job?.tracks.find((t) => t.id === versionsOf.value));
async function open(id: string): Promise<void> {
  if (!job.job) return;
  job.choose(id);
  await track.open(id);
}
</script>

<template>
  <div class="stage-bar">
    <h2>Tracks</h2>
    <span class="soft">the tracks of this job</span>
    <span class="spacer"></span>
    <TextButton v-if="track.captions.length > 0" @click="dialogs.open = 'new-language'"
      >New language beside this one…</TextButton
    >
    <TextButton :disabled="!track.editable" @click="retime.open('borrow')">Borrow timing…</TextButton>
    <FileButton main @file="take">Import a file</FileButton>
  </div>
  <div class="tracks stack wide scrolls stage-body">
    <p v-if="added" role="status" class="row wrap good">
      ✓ {{ added }}
      <TextButton v-if="untimed" main tip="Each caption goes where its words are said" @click="placeAdded()">
        Open it, and listen and place
      </TextButton>
    </p>
    <section v-if="incoming.here.value" class="tracks-import" aria-label="The imported file">
      <ImportCard :file="incoming">
        <form class="track-form" @submit.prevent="add">
          <FormField v-slot="{ field }" label="Name" :fault="faults.beside('name')" required>
            <TextField v-bind="field" v-model="name" dir="auto" />
          </FormField>
          <FormField v-slot="{ field }" label="Kind">
            <SelectField :id="field.id" v-model="kind" label="Kind" :options="kindChoices" large :width="200" />
          </FormField>
          <FormField v-slot="{ field }" label="Language">
            <LanguageField :id="field.id" v-model="language" label="Language" />
          </FormField>
          <p class="row">
            <TextButton main submit :disabled="adding">Add the track</TextButton>
            <TextButton @click="incoming.leave()">Cancel</TextButton>
          </p>
        </form>
      </ImportCard>
      <p v-if="incoming.trouble.value || (incoming.reading.value && !understood)">
        <TextButton @click="incoming.leave()">Cancel</TextButton>
      </p>
      <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    </section>
    <TrackList
      :tracks="job.job?.tracks ?? []"
      :open="track.track?.id ?? ''"
      :edit="track.track?.edit ?? 0"
      :beside="beside.shown?.id ?? null"
      @open="open"
      @rename="rename"
      @copy="made.copy"
      @about="(t) => (about = t)"
      @beside="beside.choose"
      @versions="(t) => (versionsOf = t.id)"
      @remove="remove"
    />
    <TrackVersions
      v-if="versioned"
      :track="versioned"
      :edit="versioned.id === track.track?.id ? track.track.edit : versioned.edit"
      @look="(version) => versioned && look(versioned, version)"
      @back="(version) => versioned && goBack(versioned, version)"
      @close="versionsOf = ''"
    />
    <TrackDialog :track="about" @save="saveAbout" @close="about = null" />
    <DeletedTracks :tracks="job.job?.deleted ?? []" @restore="restore" />
    <TrackCompare v-if="!incoming.here.value" :tracks="job.job?.tracks ?? []" />
    <p v-if="!incoming.here.value" class="soft tracks-hint">
      Captions, subtitles, a machine draft or a transcript can be dropped anywhere on the job: SRT, WebVTT, TTML, CTM,
      timed text, plain text, HTML, or a Fenwix track. You see how it was read before anything is added.
    </p>
  </div>
</template>

<style scoped>
.tracks-import {
  max-width: 760px;
  padding-bottom: 16px;
  border-bottom: 2px solid var(--reed);
}
.tracks-hint {
  max-width: 620px;
}
</style>
