<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import CheckField from '../../ui/controls/CheckField.vue';
import ChoiceCards from '../../ui/controls/ChoiceCards.vue';
import DialogSheet from '../../ui/controls/DialogSheet.vue';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useStretch } from '../../recording/about/stretch.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useSelection } from '../../data/tracks/selection.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useSeveral } from './use-several.ts';

/** Everything outside a part of the track is deleted; and if wanted, nothing outside it is asked for any more. */
type Part = 'selected' | 'from' | 'until';
const open = useDialogs().bound('keep-only');
const several = useSeveral();
const stretch = useStretch();
const track = useTrack();
const times = useTimes();
const playback = usePlayback();
const selection = useSelection();

const what = ref<Part>('from');
const asPart = ref(true);
watch(
  open,
  (now) => {
    if (now) what.value = selection.places ? 'selected' : 'from';
  },
  { immediate: true },
);
const choices = computed(() => [
  ...(selection.places
    ? [{ value: 'selected' as const, title: `The ${String(several.captions.value.length)} selected captions` }]
    : []),
  { value: 'from' as const, title: `Captions from the playhead on, ${times.clock(playback.time)}` },
  { value: 'until' as const, title: `Captions up to the playhead, ${times.clock(playback.time)}` },
]);
const kept = computed(() => {
  if (!open.value) return [];
  if (what.value === 'selected') return several.captions.value;
  const at = playback.time;
  return track.captions.filter((c) => (what.value === 'from' ? c.end > at : c.start < at));
});
const gone = computed(() => track.captions.length - kept.value.length);
function go(): void {
  const [those, at, part] = [kept.value, playback.time, what.value];
  const [first, last] = [those[0], those.at(-1)];
  if (!first || !last || !track.editable) return;
  open.value = false;
  if (!asPart.value) {
    several.keepOnly(those);
    return;
  }
  const to = stretch.inside(
    part === 'selected'
      ? { start: first.start, end: last.end }
      : part === 'from'
        ? stretch.within('start', Math.min(at, first.start))
        : stretch.within('end', Math.max(at, last.end)),
  );
  // One step: undoing it asks for captions outside again.
  several.keepOnly(those, { stretch: { from: stretch.kept, to } });
  void stretch.set(to);
}
</script>

<template>
  <DialogSheet
    v-model:open="open"
    title="Keep only"
    :width="520"
    ok-text="Keep only these"
    cancel-text="Cancel"
    :ok-button-props="{ disabled: kept.length === 0 || gone === 0 || !track.editable, danger: true }"
    @ok="go"
  >
    <div class="stack">
      <ChoiceCards v-model="what" label="What is kept" :options="choices" />
      <p role="status">
        <template v-if="gone === 0">No caption is outside that.</template>
        <template v-else>{{ kept.length }} captions stay, {{ gone }} are deleted. Undo brings them back.</template>
      </p>
      <CheckField v-model="asPart">
        Only this part of the recording is to be captioned: no finding asks for captions outside it
      </CheckField>
    </div>
  </DialogSheet>
</template>
