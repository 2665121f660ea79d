<script setup lang="ts">
import { ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { sentence } from '../../../core/contract/api-error.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { baseLanguage } from '../../../core/text/language.ts';
import DialogSheet from '../../ui/controls/DialogSheet.vue';
import FormField from '../../ui/controls/FormField.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import LanguageField from '../../ui/describe/LanguageField.vue';
import { fullName, languages } from '../../ui/describe/languages.ts';
import { useMadeTracks } from './made-tracks.ts';

/** A track in another language, with the times of the open one, which stands beside it. */
const open = useDialogs().bound('new-language');
const track = useTrack();
const made = useMadeTracks();
const router = useRouter();
const language = ref('fr');
const making = ref(false);
const trouble = ref<string | null>(null);
watch(
  open,
  (now) => {
    if (!now) return;
    const here = baseLanguage(track.track?.language ?? 'en');
    language.value = languages.find((tag) => baseLanguage(tag) !== here) ?? 'fr';
    trouble.value = null;
  },
  { immediate: true },
);
async function make(): Promise<void> {
  making.value = true;
  trouble.value = null;
  try {
    await made.inLanguage({ language: language.value, name: `${fullName(language.value)} subtitles` });
    open.value = false;
    await router.push({ name: 'words' });
  } catch (error) {
    trouble.value = `The track was not made: ${sentence(error)}`;
  } finally {
    making.value = false;
  }
}
</script>

<template>
  <DialogSheet v-model:open="open" title="New language beside this one" :width="480" :footer="null">
    <form class="stack start" @submit.prevent="make">
      <p class="soft">
        An empty track with the times of “{{ track.track?.name }}”, which stands beside it while you write.
      </p>
      <FormField v-slot="{ field }" label="Language">
        <LanguageField :id="field.id" v-model="language" label="Language" />
      </FormField>
      <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
      <TextButton main submit :disabled="making">Make the track</TextButton>
    </form>
  </DialogSheet>
</template>
