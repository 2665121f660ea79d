<script setup lang="ts">
import { computed, nextTick, onMounted, onUnmounted, ref } from 'vue';
import { seconds } from '../../../core/timing/clock/clock.ts';
import type { Timed } from '../../../core/timing/drag/move.ts';
import type { Scope } from '../../desk/captions/scope.ts';
import KeyHint from '../../ui/commands/KeyHint.vue';
import ChoiceButtons from '../../ui/controls/ChoiceButtons.vue';
import SelectField, { type Choice } from '../../ui/controls/SelectField.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { useSelection } from '../../data/tracks/selection.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useSame } from '../same/same.ts';
import { captionsInWords } from '../tool/plan.ts';
import { useRetime } from './retime.ts';
import { toolRows } from './tool-rows.ts';
import { toolTitles } from './tools.ts';

/** Over the stage while times of many are tried: nothing is changed before it is asked for. */
const retime = useRetime();
/** What had the keyboard before, and gets it back: dialogs may come and go meanwhile. */
const before = document.activeElement;
const form = ref<HTMLFormElement | null>(null);
onMounted(() => form.value?.querySelector<HTMLElement>('#shift-by, #cut-list')?.focus());
onUnmounted(
  () =>
    void nextTick(() => {
      if (before instanceof HTMLElement && before.isConnected) before.focus({ preventScroll: true });
    }),
);
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
const same = useSame();
const parts = computed(() => toolRows[retime.tool]);
const fault = computed(() => (retime.plan && 'fault' in retime.plan ? retime.plan.fault : null));
const said = computed(() => {
  if (retime.gone > 0)
    return `${String(retime.changes.length)} captions move, ${String(retime.gone)} go with what was cut.`;
  const [first, last] = [retime.changes[0], retime.changes.at(-1)];
  if (retime.worded > 0)
    return `No caption moves; the words of ${captionsInWords(retime.worded).toLowerCase()} get their times.`;
  if (!first || !last) return 'Nothing is moved yet.';
  const many = captionsInWords(retime.changes.length);
  if (retime.moved.every((c) => c.timing === 'provisional'))
    return `${many} ${retime.changes.length === 1 ? 'gets' : 'get'} times.`;
  const was = new Map(retime.moved.map((c) => [c.id, c.start]));
  const by = (c: Timed): string => {
    const ms = c.start - (was.get(c.id) ?? 0);
    return ms === 0 ? 'where it is' : `${seconds(Math.abs(ms))} ${ms < 0 ? 'earlier' : 'later'}`;
  };
  if (retime.tool === 'edges')
    return `${many} ${retime.changes.length === 1 ? 'begins or ends' : 'begin or end'} at another time.`;
  const ends = [by(first), by(last)];
  const how = ends[0] === ends[1] ? by(first) : `the first ${by(first)}, the last ${by(last)}`;
  return `${many}, ${how}.`;
});
function onKey(event: KeyboardEvent): void {
  if (event.key !== 'Escape') return;
  event.stopPropagation();
  retime.close();
}
</script>

<template>
  <form
    ref="form"
    class="retime-bar sheet ruled stack close"
    aria-label="Move times"
    @submit.prevent="retime.apply()"
    @keydown="onKey"
  >
    <div class="row wrap">
      <b v-if="same.same">The same as in {{ same.same.of }}</b>
      <ChoiceButtons v-else v-model="retime.tool" label="How times are moved" :options="toolTitles" />
      <span class="spacer"></span>
      <TextButton main submit tip="Until then nothing is changed" :disabled="!retime.canApply || !track.editable">{{
        retime.worded > 0 ? 'Keep the word times' : 'Apply'
      }}</TextButton>
      <TextButton
        tip="This track stays as it is"
        :disabled="!retime.canApply || retime.scope !== 'all'"
        @click="retime.applyAsTrack()"
      >
        Apply to a new track
      </TextButton>
      <TextButton tip="Escape" @click="retime.close()">Cancel</TextButton>
    </div>
    <component :is="parts.row" v-if="parts.row" v-bind="parts.takesCaptions ? { captions: retime.moved } : {}" />
    <div class="row wrap">
      <SelectField v-if="!retime.isWhole" v-model="retime.scope" label="Which captions are moved" :options="scopes" />
      <ChoiceButtons v-model="retime.side" label="Which times are shown" :options="sides" />
      <KeyHint v-if="retime.changes.length > 0" command="retime-swap" />
      <TextButton :disabled="retime.moved.length === 0" @click="retime.hear()">Hear it</TextButton>
      <p id="shift-said" class="said small" :class="fault ? 'bad' : 'soft'" role="status">
        {{ fault ?? said }}
      </p>
    </div>
  </form>
</template>

<style scoped>
.retime-bar {
  padding: 8px 14px;
}
.said {
  flex: 1;
  margin: 0;
}
</style>
