<script setup lang="ts">
import { useCommandList } from '../../data/commands/command-list.ts';
import TextButton from '../../ui/controls/TextButton.vue';

/** The ways in which all captions that are not timed come to their times. */
defineProps<{ main?: boolean }>();
const commands = useCommandList();
</script>

<template>
  <TextButton :main tip="Each goes where its words are said" @click="commands.run('place-untimed')">
    Listen and place
  </TextButton>
  <TextButton tip="By hand, on the tape" @click="commands.run('mark-untimed')">Mark them while it plays</TextButton>
  <TextButton tip="From another track, or a file" @click="commands.run('borrow-timing')">Borrow timing</TextButton>
</template>
