<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import { tellingLength } from '../../../core/text/language.ts';
import type { LanguageGuess } from '../../../core/languages/guess-language.ts';
import { ask } from '../../data/client/client.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTrack } from '../../data/tracks/track.ts';
import NoteBox from '../../ui/controls/NoteBox.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { languageName } from '../../ui/describe/jobs.ts';
import { useWhenIdle } from '../../ui/idle.ts';

/** Over the stage: that a track’s words are in another language than it is said to be in. */
const job = useJob();
const track = useTrack();
const messages = useMessages();
const preferences = usePreferences();
const other = shallowRef<LanguageGuess | null>(null);
const changing = ref(false);
const id = computed(() => track.track?.id ?? '');
const said = computed(() => track.track?.language ?? 'en');
/** As much of the text as is looked at: what is typed after it changes nothing. */
const text = computed(() => {
  let some = '';
  for (const { text: more } of track.captions) {
    some += `${more}\n`;
    if (some.length > tellingLength) break;
  }
  return some;
});
const look = useWhenIdle(() => {
  const [of, looked, as] = [id.value, text.value, said.value];
  if (!track.editable || preferences.languageLeft.includes(of)) {
    other.value = null;
    return;
  }
  // What tells languages apart is large, and comes by itself.
  void import('../../../core/languages/guess-language.ts').then(
    ({ otherLanguage }) => of === id.value && (other.value = otherLanguage(looked, as)),
    () => undefined,
  );
});
watch([text, id, said, () => preferences.languageLeft], look, { immediate: true });
async function change(language: string): Promise<void> {
  changing.value = true;
  try {
    await ask('PATCH /api/tracks/:id', { params: { id: id.value }, body: { language } });
    await job.refresh();
    messages.remark = `This track is ${languageName(language)} now.`;
  } catch (error) {
    messages.notice = `The language stays as it was: ${sentence(error)}`;
  } finally {
    changing.value = false;
  }
}
function leave(): void {
  preferences.languageLeft = [id.value, ...preferences.languageLeft];
}
</script>

<template>
  <NoteBox v-if="other" class="language-line">
    These words look like {{ languageName(other.language) }}, but the language of the track is {{ languageName(said) }}.
    Rules, listening and file names use that.
    <template #actions>
      <TextButton main :disabled="changing" @click="change(other.language)"
        >It is {{ languageName(other.language) }}</TextButton
      >
      <TextButton @click="leave()">It is {{ languageName(said) }}</TextButton>
    </template>
  </NoteBox>
</template>
