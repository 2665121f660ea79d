<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import { parseRate, rateText, usualRates } from '../../../core/timing/clock/frames.ts';
import { readTime } from '../../../core/timing/clock/read-time.ts';
import CheckField from '../../ui/controls/CheckField.vue';
import DialogSheet from '../../ui/controls/DialogSheet.vue';
import FormField from '../../ui/controls/FormField.vue';
import SelectField from '../../ui/controls/SelectField.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import TextField from '../../ui/controls/TextField.vue';
import { useFaults } from '../../ui/controls/use-faults.ts';
import { languageName } from '../../ui/describe/jobs.ts';
import { usePlayback } from '../playback/playback.ts';
import { askAbout } from '../sound/sound-client.ts';
import type { SoundTrackName } from '../sound/read-about.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTimes } from '../../data/tracks/times.ts';

/**
 * What the job says of its recording: how its pictures are counted, which sound is listened to, which part is captioned.
 * Over it stands what says which recording it is, and changes that.
 */
const open = useDialogs().bound('recording');
const job = useJob();
const times = useTimes();
const messages = useMessages();
const playback = usePlayback();
const preferences = usePreferences();

const rate = ref('');
const track = ref(0);
/** The ends of the part, as they are typed. */
const typed = reactive({ from: '', until: '' });
const ends = [
  { end: 'from', title: 'From', nothing: 'the beginning' },
  { end: 'until', title: 'Up to', nothing: 'the end' },
] as const;
const tracks = ref<readonly SoundTrackName[]>([]);
const hasPicture = computed(() => (job.job?.recording?.width ?? 0) > 0);
const rates = usualRates.map((r) => ({ value: rateText(r), title: `${rateText(r)} fps` }));
const sounds = computed(() =>
  tracks.value.map(({ language, name, channels }, i) => ({
    value: i,
    title: [
      `Sound track ${String(i + 1)}`,
      name,
      language && languageName(language),
      channels > 2 ? `${String(channels)} channels` : null,
    ]
      .filter(Boolean)
      .join(', '),
  })),
);

/** A time that was typed, in ms; `fallback` where nothing was. */
function timeOf(text: string, fallback: number): number | string {
  if (text.trim() === '' || !job.job) return fallback;
  const read = readTime(text, 0, job.job.rate);
  return 'fault' in read ? read.fault : read.ms;
}
const part = computed(() => ({ start: timeOf(typed.from, 0), end: timeOf(typed.until, times.length) }));
const faults = useFaults(() => {
  const { start, end } = part.value;
  const isOver = typeof start === 'number' && typeof end === 'number' && end - start < 1000;
  return {
    from: typeof start === 'string' ? start : null,
    until: typeof end === 'string' ? end : isOver ? 'The part has to be a second long at the least.' : null,
  };
}, '.recording-form');

watch(
  open,
  async (now) => {
    if (!now || !job.job) return;
    faults.reset();
    rate.value = rateText(job.job.rate);
    track.value = job.job.soundTrack;
    const { stretch } = job.job;
    [typed.from, typed.until] = stretch ? [times.clock(stretch.start), times.clock(stretch.end)] : ['', ''];
    const url = job.recordingUrl;
    if (url && tracks.value.length === 0)
      tracks.value = await askAbout(url).then(
        ({ sounds }) => sounds,
        () => [],
      );
  },
  { immediate: true },
);
watch(
  () => job.recordingUrl,
  () => (tracks.value = []),
);

/** What else was changed here goes along. */
async function replaced(): Promise<void> {
  if (!job.job) return;
  [rate.value, track.value] = [rateText(job.job.rate), job.job.soundTrack];
  await save();
}
async function save(): Promise<void> {
  const { start, end } = part.value;
  const counted = parseRate(rate.value);
  if (!faults.isSound() || typeof start !== 'number' || typeof end !== 'number' || !counted) return;
  const isAll = start === 0 && end >= times.length;
  try {
    await job.change({
      rate: counted,
      soundTrack: track.value,
      stretch: isAll ? null : { start, end: Math.min(end, Math.ceil(times.length)) },
    });
    open.value = false;
  } catch (error) {
    messages.notice = sentence(error);
  }
}
</script>

<template>
  <DialogSheet v-model:open="open" title="About the recording" :width="520" :footer="null">
    <form class="recording-form stack start" @submit.prevent="save">
      <slot :replaced="replaced"></slot>
      <FormField
        v-if="hasPicture"
        v-slot="{ field }"
        label="Frame rate"
        hint="Gaps in frames and timecodes are counted by it."
      >
        <SelectField :id="field.id" v-model="rate" label="Frame rate" :options="rates" :width="160" large />
      </FormField>
      <FormField
        v-if="sounds.length > 1"
        v-slot="{ field }"
        label="Sound that is listened to"
        hint="Speech is looked for in it, and edges are heard from it. The picture plays with the first."
      >
        <SelectField :id="field.id" v-model="track" label="Sound that is listened to" :options="sounds" large />
      </FormField>
      <fieldset class="stack close">
        <legend>The part to be captioned</legend>
        <p class="small soft">Outside it, no finding asks for captions. Left empty, it is all of the recording.</p>
        <FormField
          v-for="{ end, title, nothing } in ends"
          :key="end"
          v-slot="{ field }"
          :label="title"
          :fault="faults.beside(end)"
        >
          <span class="row">
            <TextField v-bind="field" v-model="typed[end]" class="part-time figures" :placeholder="nothing" />
            <TextButton @click="typed[end] = times.clock(playback.time)">The playhead</TextButton>
          </span>
        </FormField>
      </fieldset>
      <CheckField v-if="hasPicture" v-model="preferences.inFrames">
        Show times as timecodes, with the number of the picture
      </CheckField>
      <TextButton main submit>Save</TextButton>
    </form>
  </DialogSheet>
</template>

<style scoped>
.part-time {
  width: 150px;
}
fieldset {
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  padding: 0;
}
</style>
