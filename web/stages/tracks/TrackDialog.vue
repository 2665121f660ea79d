<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { TrackProperties } from '../../../core/contract/tracks.ts';
import type { TrackSummary } from '../../../core/job/job.ts';
import type { TrackKind } from '../../../core/model/caption.ts';
import DialogSheet from '../../ui/controls/DialogSheet.vue';
import FormField from '../../ui/controls/FormField.vue';
import LanguageField from '../../ui/describe/LanguageField.vue';
import SelectField from '../../ui/controls/SelectField.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { kindChoices } from '../../ui/describe/tracks.ts';

/** The language and the kind of a track. */
const props = defineProps<{ track: TrackSummary | null }>();
const emit = defineEmits<{ save: [id: string, change: TrackProperties]; close: [] }>();
const open = computed({
  get: () => props.track !== null,
  set: (now) => {
    if (!now) emit('close');
  },
});
const language = ref('');
const kind = ref<TrackKind>('captions');
watch(
  () => props.track,
  (now) => {
    if (now) [language.value, kind.value] = [now.language, now.kind];
  },
  { immediate: true },
);
/** Nothing becomes a machine draft. */
const kinds = kindChoices.filter((k) => k.value !== 'machine');
function save(): void {
  const { track } = props;
  if (!track) return;
  const isDraft = track.kind === 'machine' || kind.value === 'machine';
  emit('save', track.id, { language: language.value, ...(isDraft ? {} : { kind: kind.value }) } as TrackProperties);
}
</script>

<template>
  <DialogSheet v-model:open="open" :title="`About “${track?.name ?? ''}”`" :width="440" :footer="null">
    <form class="stack start" @submit.prevent="save">
      <FormField v-slot="{ field }" label="Language">
        <LanguageField :id="field.id" v-model="language" label="Language" :width="240" />
      </FormField>
      <FormField v-if="track?.kind !== 'machine'" v-slot="{ field }" label="Kind">
        <SelectField :id="field.id" v-model="kind" label="Kind" :options="kinds" large :width="240" />
      </FormField>
      <TextButton main submit>Save</TextButton>
    </form>
  </DialogSheet>
</template>
