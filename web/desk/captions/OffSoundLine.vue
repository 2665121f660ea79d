<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue';
import { offSound, type OffSound } from '../../../core/audio/off-sound.ts';
import { useCommandList } from '../../data/commands/command-list.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useSound } from '../../recording/sound/sound.ts';
import NoteBox from '../../ui/controls/NoteBox.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { useWhenIdle } from '../../ui/idle.ts';
import { offInWords } from './off-in-words.ts';

/** Over the stage: that a track stands beside its sound, which nobody has to ask for, and what puts it right. */
const track = useTrack();
const sound = useSound();
const times = useTimes();
const commands = useCommandList();
const preferences = usePreferences();
const off = shallowRef<OffSound | null>(null);
const look = useWhenIdle(() => {
  off.value = sound.regions && track.editable ? offSound(track.timed, sound.regions.speech) : null;
});
/** Where captions begin, as one figure: what is typed changes none of it. */
const begins = computed(() => track.timed.reduce((sum, { start }, i) => (sum * 31 + start + i) % 2_147_483_647, 0));
watch([begins, () => track.track?.id, () => sound.regions], look, { immediate: true });
const id = computed(() => track.track?.id ?? '');
const says = computed(() =>
  off.value && !preferences.soundLeft.includes(id.value) ? offInWords(off.value, times.clock) : null,
);
function notNow(): void {
  preferences.soundLeft = [id.value, ...preferences.soundLeft];
}
</script>

<template>
  <NoteBox v-if="says !== null" class="off-sound-line">
    {{ says }}
    <template #actions>
      <TextButton main tip="Each goes where its words are said" @click="commands.run('place-all')">
        Listen and place
      </TextButton>
      <TextButton tip="From another track, or a file" @click="commands.run('borrow-timing')">Borrow timing</TextButton>
      <TextButton tip="It is not said of this track again" @click="notNow()">Not now</TextButton>
    </template>
  </NoteBox>
</template>
