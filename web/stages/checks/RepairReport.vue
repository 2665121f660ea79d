<script setup lang="ts">
import FoldPanel from '../../ui/controls/FoldPanel.vue';
import RowButton from '../../ui/controls/RowButton.vue';
import { computed } from 'vue';
import type { Done, Repaired } from '../../../core/rules/repairs/repairs.ts';
import { ruleNamed } from '../../../core/rules/findings.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { useTrack } from '../../data/tracks/track.ts';
import TextButton from '../../ui/controls/TextButton.vue';
import { useTimes } from '../../data/tracks/times.ts';

const times = useTimes();
const props = defineProps<{ report: Pick<Repaired, 'done' | 'left'> }>();
const emit = defineEmits<{ go: [caption: Caption]; close: [] }>();
const track = useTrack();
/** A short list is shown at once. */
const few = 5;
const inTime = (entries: readonly Done[]): Done[] => [...entries].sort((a, b) => a.start - b.start);
/** Long lists are cut; the figures above tell of all. */
const most = 100;
const lists = computed(() => [
  { title: 'What could not be repaired', entries: inTime(props.report.left), open: props.report.left.length <= few },
  { title: 'What was done', entries: props.report.done, open: false },
]);
function go(entry: Done): void {
  const found =
    track.captions.find((c) => c.id === entry.caption) ?? track.captions.find((c) => c.start >= entry.start);
  if (found) emit('go', found);
}
</script>

<template>
  <section class="report note good" aria-label="What was repaired">
    <p class="row between" role="status">
      <span
        ><b>{{ report.done.length }} {{ report.done.length === 1 ? 'repair' : 'repairs' }} made</b>, one step to undo.
        <template v-if="report.left.length > 0">{{ report.left.length }} could not be.</template></span
      >
      <TextButton @click="$emit('close')">Close</TextButton>
    </p>
    <template v-for="list in lists" :key="list.title">
      <FoldPanel v-if="list.entries.length > 0" :title="list.title" :open="list.open">
        <ul class="plain-list">
          <li v-for="(entry, i) in list.entries.slice(0, most)" :key="i">
            <RowButton class="report-time figures small" @click="go(entry)">{{ times.clock(entry.start) }}</RowButton>
            <b>{{ ruleNamed(entry.rule).title }}.</b> {{ entry.says }}
          </li>
        </ul>
        <p v-if="list.entries.length > most" class="soft">And {{ list.entries.length - most }} more.</p>
      </FoldPanel>
    </template>
  </section>
</template>

<style scoped>
.report {
  margin-bottom: 14px;
}
.report-time {
  width: auto;
  padding-right: 8px;
}
</style>
