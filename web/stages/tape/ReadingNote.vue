<script setup lang="ts">
import ProgressBar from '../../ui/controls/ProgressBar.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { useSound } from '../../recording/sound/sound.ts';

/** How far the sound is read, or why it is not. */
const sound = useSound();
</script>

<template>
  <p v-if="sound.reading !== null" class="tape-sound small floating">
    <ProgressBar label="Reading the sound" :share="sound.reading" small />
    Reading the sound
    <TextButton @click="sound.stop()">Stop</TextButton>
  </p>
  <p v-else-if="sound.trouble" class="tape-sound small floating" role="status">
    {{ sound.trouble }} <TextButton @click="sound.ensureRead()">Try again</TextButton>
  </p>
</template>

<style scoped>
.tape-sound {
  position: absolute;
  bottom: 12px;
  left: 80px;
  z-index: 4;
  width: 260px;
  padding: 6px 10px;
}
</style>
