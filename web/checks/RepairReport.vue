<script setup lang="ts">
import FoldPanel from '../controls/FoldPanel.vue';
import RowButton from '../controls/RowButton.vue';
import { computed } from 'vue';
import type { Done, Repaired } from '../../core/rules/repairs/repairs.ts';
import { ruleNamed } from '../../core/rules/findings.ts';
import { marginClock } from '../../core/time/clock.ts';
import type { Caption } from '../../core/track/caption.ts';
import { useTrack } from '../stores/track.ts';
import TextButton from '../controls/TextButton.vue';

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
  <section class="report" aria-label="What was repaired">
    <p role="status">
      <span
        ><b>{{ report.done.length }} {{ report.done.length === 1 ? 'repair' : 'repairs' }} made</b>, one step to undo.
        <template v-if="report.left.length > 0">{{ report.left.length }} could not be.</template></span
      >
      <TextButton @click="$emit('close')">Close</TextButton>
    </p>
    <template v-for="list in lists" :key="list.title">
      <FoldPanel v-if="list.entries.length > 0" :title="list.title" :open="list.open">
        <ul>
          <li v-for="(entry, i) in list.entries.slice(0, most)" :key="i">
            <RowButton class="report-time figures" @click="go(entry)">{{ marginClock(entry.start) }}</RowButton>
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
  padding: 10px 14px;
  border-left: 4px solid var(--reed);
  background: var(--reed-wash);
}
.report p {
  display: flex;
  align-items: center;
  gap: 8px;
}
.report p button {
  margin-left: auto;
}
ul {
  margin: 4px 0;
  padding: 0;
  list-style: none;
}
.report-time {
  padding: 0 8px 0 0;
  border: 0;
  background: none;
  color: var(--water);
  font-size: 14px;
  cursor: pointer;
}
:root[data-theme='light'] .report-time {
  color: var(--ink);
}
</style>
