<script setup lang="ts">
import { computed, onMounted, shallowRef } from 'vue';
import SelectField from '../controls/SelectField.vue';
import { languageSearch, type LanguageSearch } from './language-search.ts';
import { languageChoices, languages } from './languages.ts';

/** Any language: some to choose from, and all others by their name or their tag. */
const props = defineProps<{ label: string; id?: string; width?: number }>();
const language = defineModel<string>({ required: true });
const search = shallowRef<LanguageSearch | null>(null);
onMounted(() => {
  // Without the server the languages that are offered are there.
  languageSearch().then(
    (found) => (search.value = found),
    () => undefined,
  );
});
const offered = computed(() => languageChoices([...new Set([language.value, ...languages])]));
</script>

<template>
  <SelectField
    :id="props.id"
    v-model="language"
    :label="label"
    :options="offered"
    :search="search ?? undefined"
    large
    :width="width ?? 280"
  />
</template>
