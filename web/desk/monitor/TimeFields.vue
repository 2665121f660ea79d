<script setup lang="ts">
import { computed, onBeforeUnmount, reactive, watch } from 'vue';
import { frameLength } from '../../../core/timing/clock/timecode.ts';
import type { TimeField } from '../../../core/timing/drag/typed.ts';
import { inHundredths } from '../../../core/timing/clock/clock.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { fieldNames, useTypedTimes } from '../captions/use-typed-times.ts';
import TextField from '../../ui/controls/TextField.vue';
import { useMessages } from '../../data/messages/messages.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useTrack } from '../../data/tracks/track.ts';

/** Begin, end and duration of a caption, to be read and to be typed in any usual form; each caption has fields of its own. */
const props = defineProps<{ caption: Caption }>();
const track = useTrack();
const times = useTimes();
const messages = useMessages();
const type = useTypedTimes();
const { id } = props.caption;

const lasts = (ms: number): string =>
  times.counted ? `${String(Math.round(ms / frameLength(times.counted)))}f` : inHundredths(ms);
const isTimed = computed(() => props.caption.timing === 'set');
const shown = computed<Readonly<Record<TimeField, string>>>(() => {
  const { start, end } = props.caption;
  if (!isTimed.value) return { start: '', end: '', duration: '' };
  return { start: times.clock(start), end: times.clock(end), duration: lasts(end - start) };
});
const fields = Object.entries(fieldNames) as readonly (readonly [TimeField, string])[];
const typed = reactive<Record<TimeField, string>>({ ...shown.value });
const faults = reactive<Record<TimeField, string | null>>({ start: null, end: null, duration: null });
const fault = computed(() => faults.start ?? faults.end ?? faults.duration);

function reset(field: TimeField): void {
  typed[field] = shown.value[field];
  faults[field] = null;
}
/** What was typed counts when it is left; what cannot be a time stays, with what is wrong with it. @param whole the caption moves as it is */
function take(field: TimeField, whole = false): void {
  if (typed[field].trim() === shown.value[field]) reset(field);
  else {
    faults[field] = type(id, field, typed[field], whole);
    if (faults[field] === null) reset(field);
  }
}
// What is being typed stays, whatever happens to the times meanwhile.
watch(shown, (_, before) => {
  for (const [field] of fields) if (typed[field] === before[field]) reset(field);
});
// Whoever goes to another caption in mid-field is done with this one: the field is left, though no event tells of it.
onBeforeUnmount(() => {
  for (const [field, title] of fields) {
    if (typed[field].trim() === shown.value[field]) continue;
    const fault = type(id, field, typed[field]);
    if (fault !== null) messages.remark = `${title} stays as it was, “${typed[field]}” was not taken: ${fault}`;
  }
});
</script>

<template>
  <div class="times row top">
    <label
      v-for="[field, title] in fields"
      :key="field"
      v-memo="[typed[field], faults[field], isTimed, track.editable]"
      class="small"
    >
      <span class="soft">{{ title }}</span>
      <TextField
        v-model="typed[field]"
        small
        class="figures"
        :label="`${title} of caption`"
        :placeholder="isTimed ? '' : 'not timed'"
        :disabled="!track.editable"
        :invalid="faults[field] !== null"
        :aria-describedby="faults[field] === null ? undefined : 'times-fault'"
        :data-tip="field === 'start' ? 'Shift Enter moves the caption whole' : undefined"
        @keydown.enter.stop="(event: KeyboardEvent) => take(field, event.shiftKey && field === 'start')"
        @keydown.escape.stop="reset(field)"
        @blur="take(field)"
      />
    </label>
  </div>
  <p v-if="fault" id="times-fault" class="small bad" role="alert">{{ fault }}</p>
</template>

<style scoped>
.times {
  margin-top: 6px;
}
label {
  flex: 1 1 0;
}
</style>
