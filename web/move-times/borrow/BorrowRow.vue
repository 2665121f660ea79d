<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import { lineInWords } from '../../../core/timing/borrow/straight.ts';
import { withIds } from '../../../core/formats/cue.ts';
import { ask } from '../../data/client/client.ts';
import ChoiceButtons from '../../ui/controls/ChoiceButtons.vue';
import FileButton from '../../ui/controls/FileButton.vue';
import SelectField from '../../ui/controls/SelectField.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { languageFor } from '../../import/language.ts';
import { useImport } from '../../import/use-import.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useBorrow, type Giving } from './borrow.ts';

/** Which track or file gives the times, and how they are taken. */
const borrow = useBorrow();
const job = useJob();
const track = useTrack();
const file = useImport(computed(() => job.job?.style ?? null));
const others = computed(() => (job.job?.tracks ?? []).filter((t) => t.id !== track.track?.id && t.captions > 0));
/** The file that gives times, which can be come back to from a track. */
const ofFile = shallowRef<{ readonly name: string; readonly giving: Giving } | null>(null);
const choices = computed(() => [
  ...others.value.map((t) => ({ value: t.id, title: `${t.name} (${t.language})` })),
  ...(ofFile.value ? [{ value: 'file', title: ofFile.value.name }] : []),
]);
const chosen = ref('');
const trouble = computed(() => borrow.trouble ?? file.trouble.value);
const ways = computed(() => [
  ...(borrow.straight ? [['line', `One line: ${lineInWords(borrow.straight)}`] as const] : []),
  ['ties', 'Tie by tie'] as const,
  ['one for one', 'Times one for one'] as const,
]);

async function choose(id: string | null): Promise<void> {
  if (id === null) return;
  chosen.value = id;
  try {
    const giving = id === 'file' ? ofFile.value?.giving : await ask('GET /api/tracks/:id', { params: { id } });
    if (giving && chosen.value === id) await borrow.from(giving);
  } catch (error) {
    borrow.trouble = `That track could not be fetched: ${sentence(error)}`;
  }
}
watch(file.understood, (read) => {
  if (!read) return;
  const language = languageFor(read, file.name.value, job.job?.language ?? 'en');
  const captions = withIds(read.captions, () => crypto.randomUUID());
  ofFile.value = { name: file.name.value, giving: { id: null, language, captions } };
  void choose('file');
});
watch(
  () => track.track?.id,
  () => {
    // A track that people have worked on knows times better than a draft does.
    const first = others.value.find((t) => t.kind !== 'machine') ?? others.value[0];
    if (first && !borrow.giving) void choose(first.id);
  },
  { immediate: true },
);
</script>

<template>
  <div class="row wrap">
    <span>from</span>
    <SelectField
      v-if="choices.length > 0"
      :model-value="chosen"
      label="Which track gives the times"
      :options="choices"
      @update:model-value="choose"
    />
    <FileButton @file="(one) => one && file.take(one)">A file…</FileButton>
    <ChoiceButtons v-model="borrow.way" label="How times are taken" :options="ways" />
    <TextButton v-if="borrow.giving" @click="borrow.isShown = !borrow.isShown">
      {{ borrow.isShown ? 'Show the captions' : 'Show the ties' }}
    </TextButton>
    <span v-if="trouble" class="bad small" role="alert">{{ trouble }}</span>
    <span v-else-if="borrow.isPairing" class="soft small" role="status">Looking for captions that say the same…</span>
    <span v-else-if="choices.length === 0" class="soft small" role="status">
      This job has no other track with captions; a file will do.
    </span>
  </div>
</template>
