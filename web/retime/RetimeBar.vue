<script setup lang="ts">
import { computed } from 'vue';
import { seconds } from '../../core/time/clock.ts';
import type { Scope } from '../captions/scope.ts';
import KeyHint from '../commands/KeyHint.vue';
import ChoiceButtons from '../controls/ChoiceButtons.vue';
import SelectField, { type Choice } from '../controls/SelectField.vue';
import TextButton from '../controls/TextButton.vue';
import TextField from '../controls/TextField.vue';
import { useSelection } from '../stores/selection.ts';
import { useTrack } from '../stores/track.ts';
import { useRetime } from './retime.ts';

/** Over the stage while times of many are tried: nothing is changed before it is asked for. */
const retime = useRetime();
const selection = useSelection();
const track = useTrack();
const scopes = computed((): readonly Choice<Scope>[] => [
  { value: 'here', title: 'This caption' },
  ...(selection.places
    ? [
        {
          value: 'selected',
          title: `The ${String(retime.scope === 'selected' ? retime.moved.length : selection.places.to - selection.places.from + 1)} selected captions`,
        } as const,
      ]
    : []),
  { value: 'on', title: 'This caption and all after it' },
  { value: 'all', title: 'All captions' },
]);
const sides = [
  ['before', 'Before'],
  ['after', 'After'],
] as const;
const fault = computed(() => (retime.by && 'fault' in retime.by ? retime.by.fault : null));
const said = computed(() => {
  if (!retime.by || 'fault' in retime.by) return 'Nothing is moved yet.';
  const { ms } = retime.by;
  if (ms === 0) return 'Nothing is moved by that.';
  const many = retime.moved.length;
  return `${many === 1 ? 'One caption' : `${String(many)} captions`}, ${seconds(Math.abs(ms))} ${ms < 0 ? 'earlier' : 'later'}. Seen before it is kept.`;
});
function onKey(event: KeyboardEvent): void {
  if (event.key !== 'Escape') return;
  event.stopPropagation();
  retime.close();
}
</script>

<template>
  <form
    v-if="retime.isOpen"
    class="retime-bar sheet ruled stack close"
    aria-label="Shift in time"
    @submit.prevent="retime.apply()"
    @keydown="onKey"
  >
    <div class="row wrap">
      <label for="shift-by">Shift</label>
      <SelectField v-model="retime.scope" label="Which captions are moved" :options="scopes" />
      <label for="shift-by">by</label>
      <TextField
        id="shift-by"
        v-model="retime.typed"
        small
        class="shift-by figures"
        autocomplete="off"
        placeholder="0.4, or −1.2"
        :invalid="fault !== null"
        aria-describedby="shift-said"
      />
      <ChoiceButtons v-model="retime.side" label="Which times are shown" :options="sides" />
      <TextButton :disabled="retime.moved.length === 0" @click="retime.hear()">Hear it</TextButton>
      <span class="spring"></span>
      <TextButton main submit :disabled="retime.changes.length === 0 || !track.editable">Shift</TextButton>
      <TextButton tip="Escape" @click="retime.close()">Cancel</TextButton>
    </div>
    <p id="shift-said" class="small" :class="fault ? 'bad' : 'soft'" role="status">
      {{ fault ?? said }}
      <template v-if="retime.changes.length > 0"><KeyHint command="retime-swap" /> shows the other times.</template>
    </p>
  </form>
</template>

<style scoped>
.retime-bar {
  padding: 8px 14px;
}
.shift-by {
  width: 110px;
}
</style>
