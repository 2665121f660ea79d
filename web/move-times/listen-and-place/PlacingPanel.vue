<script setup lang="ts">
import { computed } from 'vue';
import { seconds } from '../../../core/timing/clock/clock.ts';
import KeyHint from '../../ui/commands/KeyHint.vue';
import NoteBox from '../../ui/controls/NoteBox.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { useTimes } from '../../data/tracks/times.ts';
import OffsetPicture from './OffsetPicture.vue';
import PlacedList from './PlacedList.vue';
import { usePlacing } from './placing.ts';
import { useUncertain } from './uncertain.ts';

/** What listening has found: how far captions are off, why, and each of them before and after. */
const placing = usePlacing();
const times = useTimes();
const uncertain = useUncertain();
const off = (ms: number): string =>
  Math.abs(ms) < 1 ? 'on time' : `${seconds(Math.abs(ms))} ${ms > 0 ? 'late' : 'early'}`;
const many = (how: string): number => placing.found?.rows.filter((r) => r.how === how).length ?? 0;
const figures = computed((): readonly (readonly [string, string])[] => {
  const { found } = placing;
  if (!found) return [];
  const { first, drift, jumps } = found.offsets;
  const captions = found.rows.length;
  return [
    ...(first === null ? [] : [['At the beginning', off(first)] as const]),
    ...(drift && Math.abs(drift.by) >= 100
      ? [['Drift', `${seconds(Math.abs(drift.by))} in ${seconds(drift.over)}`] as const]
      : []),
    ...jumps.map(
      (j) => [`Jump at ${times.clock(j.at)}`, `${seconds(Math.abs(j.by))} ${j.by > 0 ? 'late' : 'early'}`] as const,
    ),
    ['Words heard', `${String(found.words.heard)} of ${String(found.words.all)}`],
    ['Captions certain', `${String(many('certain'))} of ${String(captions)}`],
    ['With their neighbours', String(many('with neighbours'))],
    ['Left where they are', String(many('left'))],
  ];
});
</script>

<template>
  <section v-if="placing.found" class="placing-panel stack" aria-label="What listening has found">
    <h2 class="visually-hidden">Listen and place</h2>
    <div class="row top placing-top">
      <div class="picture">
        <template v-if="placing.found.offsets.points.length > 0">
          <div class="row between">
            <h3>How far each caption is from where it is said</h3>
            <span class="soft small">late above, early below</span>
          </div>
          <OffsetPicture :offsets="placing.found.offsets" @choose="uncertain.goNear" />
        </template>
        <p v-else>None of this had times before: each caption gets the time at which it is said.</p>
      </div>
      <dl class="placing-figures" aria-label="What was found">
        <div v-for="[name, figure] in figures" :key="name" class="row between ruled">
          <dt>{{ name }}</dt>
          <dd class="figures small">{{ figure }}</dd>
        </div>
      </dl>
    </div>
    <NoteBox v-if="placing.isApproximate" kind="doubt">
      There is no acoustic model for this language: places are about right.
    </NoteBox>
    <div class="row between">
      <h3>Captions, before and after</h3>
      <TextButton v-if="uncertain.many > 0" @click="uncertain.next()">
        Next uncertain of {{ uncertain.many }} <KeyHint command="placing-next" />
      </TextButton>
    </div>
    <PlacedList :rows="placing.rows" @hear="uncertain.hear" />
  </section>
</template>

<style scoped>
.placing-panel {
  flex: 1;
  min-height: 0;
  padding: 12px 16px;
  overflow-y: auto;
}
.placing-top {
  gap: 20px;
}
.picture {
  flex: 1;
  min-width: 0;
}
.placing-figures {
  width: 250px;
  margin: 0;
}
.placing-figures dd {
  margin: 0;
}
</style>
