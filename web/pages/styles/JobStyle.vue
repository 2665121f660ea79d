<script setup lang="ts">
import NoteBox from '../../ui/controls/NoteBox.vue';
import { computed, ref, shallowRef, watch } from 'vue';
import { decodeStyle } from '../../../core/style/decode-style.ts';
import { faultShown, styleFieldGroups, fields } from '../../../core/style/style-fields.ts';
import { styleStanding } from '../../../core/style/style-names.ts';
import { usualRate } from '../../../core/timing/clock/frames.ts';
import type { HouseStyle } from '../../../core/style/style.ts';
import { sentence } from '../../../core/contract/api-error.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useStyles } from '../../data/jobs/styles.ts';
import FieldInput from './FieldInput.vue';
import DialogSheet from '../../ui/controls/DialogSheet.vue';
import TextButton from '../../ui/controls/TextButton.vue';

const open = defineModel<boolean>('open', { required: true });
const job = useJob();
const styles = useStyles();
const draft = shallowRef<HouseStyle | null>(null);
const faults = ref<readonly string[]>([]);
const source = computed(() => styles.all.find((s) => s.id === job.job?.style.id) ?? null);
const changed = computed(() => draft.value !== null && styleStanding(draft.value, styles.all) === 'changed');

watch(
  open,
  (now) => {
    if (!now) return;
    draft.value = job.job?.style ?? null;
    faults.value = [];
  },
  { immediate: true },
);
async function use(): Promise<void> {
  if (!draft.value) return;
  faults.value = (decodeStyle(draft.value).faults ?? []).map(faultShown);
  if (faults.value.length > 0) return;
  try {
    await job.useStyle(draft.value);
    open.value = false;
  } catch (error) {
    faults.value = [sentence(error)];
  }
}
</script>

<template>
  <DialogSheet
    v-model:open="open"
    :title="`${job.job?.style.name ?? ''}, for this job only`"
    ok-text="Use for this job"
    cancel-text="Cancel"
    :width="620"
    @ok="use"
  >
    <div v-if="draft" class="job-style dialog-list">
      <NoteBox v-if="faults.length > 0" tone="bad">
        <ul>
          <li v-for="fault in faults" :key="fault">{{ fault }}</li>
        </ul>
      </NoteBox>
      <section v-for="group in styleFieldGroups" :key="group">
        <h3 class="small plain soft">{{ group }}</h3>
        <div v-for="field in fields.filter((f) => f.group === group)" :key="field.path" class="job-style-row line-row">
          <span>{{ field.title }}</span>
          <FieldInput v-model="draft" :field="field" :rate="job.job?.rate ?? usualRate" />
        </div>
      </section>
    </div>
    <p class="job-style-foot below row between soft">
      The house style itself and other jobs stay as they are.
      <TextButton v-if="changed && source" @click="draft = source"> Reset to {{ source.name }} </TextButton>
    </p>
  </DialogSheet>
</template>

<style scoped>
.job-style {
  padding-right: 10px;
}
h3 {
  margin-top: 10px;
}
.job-style-row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  align-items: center;
  gap: 12px;
}
</style>
