<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import type { Difference } from '../../../core/compare/differences.ts';
import type { TrackSummary } from '../../../core/job/job.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { ask } from '../../data/client/client.ts';
import { useTrackWorker } from '../../data/workers/track-client.ts';
import type { Tasks } from '../../data/workers/track-tasks.ts';
import KeyHint from '../../ui/commands/KeyHint.vue';
import ChoiceButtons from '../../ui/controls/ChoiceButtons.vue';
import RowButton from '../../ui/controls/RowButton.vue';
import SelectField from '../../ui/controls/SelectField.vue';
import { useVirtualRows } from '../../ui/controls/use-virtual-rows.ts';
import { pairToCompare } from './pair-to-compare.ts';
import { useCompared, type LookedAt } from '../../data/tracks/compared.ts';
import { useFindings } from '../../desk/findings/findings.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useTrack } from '../../data/tracks/track.ts';

/** Two tracks of the job held against each other: how many words differ, and which. */
const props = defineProps<{ tracks: readonly TrackSummary[] }>();
const track = useTrack();
const worker = useTrackWorker();
const compared = useCompared();
const findings = useFindings();
const cursor = useCursor();
const times = useTimes();
const section = useTemplateRef<HTMLElement>('section');
const list = useTemplateRef<HTMLElement>('list');
const titleOf = (t: TrackSummary): string => `${t.name} (${t.language})`;
/** A version is chosen by its track and its edit, after a sign that no id has. */
const keyOf = (version: LookedAt): string => `${version.track}@${String(version.edit)}`;
const choices = computed(() => [
  ...props.tracks.map((t) => ({ value: t.id, title: titleOf(t) })),
  ...(compared.version ? [{ value: keyOf(compared.version), title: compared.version.title }] : []),
]);
const reference = ref('');
const other = ref('');
watch(
  () => compared.version,
  (version, was) => {
    if (version) {
      [reference.value, other.value, compared.shown] = [version.track, keyOf(version), 'other'];
      void nextTick(() => section.value?.scrollIntoView({ block: 'nearest' }));
    }
    if (!version && was && [reference.value, other.value].includes(keyOf(was)))
      [reference.value, other.value] = ['', ''];
  },
);
watch(
  [() => props.tracks, reference, other],
  ([tracks]) => {
    const known = (id: string): boolean => choices.value.some((choice) => choice.value === id);
    if (known(reference.value) && known(other.value)) return;
    [reference.value, other.value] = pairToCompare(tracks, track.track?.id ?? '') ?? ['', ''];
  },
  { immediate: true },
);

// Asked for by its command: it is under the list of tracks.
watch(
  () => compared.wanted,
  (now) => {
    if (!now) return;
    compared.wanted = false;
    void nextTick(() => {
      section.value?.scrollIntoView({ block: 'nearest' });
      section.value?.querySelector('input')?.focus();
    });
  },
  { immediate: true },
);

const trouble = ref<string | null>(null);
/** What is found; a long track takes the worker some seconds. */
const found = shallowRef<Tasks['compare']['answer'] | null>(null);
/** The open track as this page has it, with what is not saved yet; another, or a version, as the server has it. */
async function captionsOf(key: string): Promise<readonly Caption[]> {
  if (key === track.track?.id) return track.captions;
  const [id = '', at] = key.split('@');
  const query = at === undefined ? {} : { at: Number(at) };
  return (await ask('GET /api/tracks/:id', { params: { id }, query })).captions;
}
let turn = 0;
watch(
  [reference, other, () => track.captions, () => findings.context !== null],
  async ([one, two]) => {
    const mine = ++turn;
    const { context } = findings;
    if (one === '' || two === '' || one === two || !context) {
      found.value = null;
      return;
    }
    try {
      const [captions, other] = await Promise.all([captionsOf(one), captionsOf(two)]);
      if (mine !== turn) return;
      const answer = await worker.ask('compare', { captions, context }, other);
      if (mine !== turn) return;
      [found.value, trouble.value] = [answer, null];
      compared.pair = { reference: captions, other };
    } catch (error) {
      if (mine === turn) trouble.value = `The tracks could not be compared: ${sentence(error)}`;
    }
  },
  { immediate: true },
);
onBeforeUnmount(compared.clear);
const pictures = computed(() => {
  const nameOf = (key: string): string =>
    props.tracks.find((t) => t.id === key)?.name ?? choices.value.find((choice) => choice.value === key)?.title ?? '';
  return [
    ['other', nameOf(other.value)],
    ['reference', nameOf(reference.value)],
    ['open', 'What is open'],
  ] as const;
});
const share = (part: number | null): string => (part === null ? '–' : `${(part * 100).toFixed(1)} %`);
const figures = computed((): readonly (readonly [string, string])[] => {
  if (!found.value) return [];
  const { wer, cer, substitutions, deletions, insertions, words, offset } = found.value.figures;
  const late = offset && `${String(Math.abs(offset.median))} ms ${offset.median < 0 ? 'earlier' : 'later'}`;
  return [
    ['Word error rate', `${share(wer)} of ${String(words)}`],
    ['Words replaced, missing, added', `${String(substitutions)}, ${String(deletions)}, ${String(insertions)}`],
    ['Character error rate', share(cer)],
    ...(offset && late
      ? ([
          ['Captions begin, median', late],
          ['Nine in ten captions within', `${String(offset.p90)} ms`],
        ] as const)
      : []),
  ];
});
const rows = computed(() => found.value?.differences ?? []);
const { places, room, measure } = useVirtualRows(list, () => rows.value.length, 34);
const inSight = computed(() =>
  places.value.flatMap((index) => {
    const row = rows.value[index];
    return row ? [{ ...row, index, time: times.clock(row.at) }] : [];
  }),
);
/** To the caption it is in, where one of the two tracks is open. */
function goTo({ captions: [one, two] }: Difference): void {
  const open = track.track?.id;
  const id = open === reference.value.split('@')[0] ? one : open === other.value.split('@')[0] ? two : null;
  if (id !== null) cursor.goTo(id, 'chosen');
}
</script>

<template>
  <section v-if="choices.length > 1" ref="section" class="compare stack" aria-label="Compare two tracks">
    <div class="row wrap">
      <h3>Compare</h3>
      <SelectField v-model="other" label="The track that is compared" :options="choices" />
      <span>with</span>
      <SelectField v-model="reference" label="The reference track" :options="choices" />
      <span class="soft small">the reference</span>
    </div>
    <div v-if="found" class="row wrap">
      <span class="soft small">On the picture</span>
      <ChoiceButtons v-model="compared.shown" label="What the picture shows" :options="pictures" />
      <KeyHint command="compare-swap" /> <span class="soft small">changes between the two</span>
    </div>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <p v-else-if="reference === other" class="soft">Choose two tracks.</p>
    <p v-else-if="!found" class="soft" role="status">Comparing…</p>
    <template v-else>
      <dl class="row wrap compare-figures">
        <div v-for="[name, figure] in figures" :key="name">
          <dt class="soft small">{{ name }}</dt>
          <dd class="figures">{{ figure }}</dd>
        </div>
      </dl>
      <p v-if="rows.length === 0" class="good">✓ The words are the same.</p>
      <div v-else ref="list" class="compare-list" tabindex="0" role="group" aria-label="Where the words differ">
        <ul class="plain-list" :style="room">
          <li
            v-for="row in inSight"
            :key="row.index"
            :ref="measure"
            :data-index="row.index"
            :aria-setsize="rows.length"
            :aria-posinset="row.index + 1"
          >
            <RowButton quiet class="compare-row" @click="goTo(row)">
              <span class="figures small soft">{{ row.time }}</span>
              <span dir="auto"
                >{{ row.before }} <del v-if="row.other">{{ row.other }}</del>{{ ' '
                }}<ins v-if="row.reference">{{ row.reference }}</ins> {{ row.after }}</span
              >
            </RowButton>
          </li>
        </ul>
      </div>
    </template>
  </section>
</template>

<style scoped>
.compare-figures {
  gap: 28px;
  margin: 0;
}
.compare-figures dd {
  margin: 0;
}
.compare-list {
  max-height: 320px;
  overflow-y: auto;
}
.compare-row {
  display: grid;
  grid-template-columns: 90px minmax(0, 1fr);
  gap: 12px;
  width: 100%;
  text-align: start;
}
</style>
