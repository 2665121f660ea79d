<script setup lang="ts">
import { useCommandList } from './command-list.ts';

/** The key of a command, as it is now: on its button. */
defineProps<{ command: string }>();
const list = useCommandList();
</script>

<template>
  <kbd v-if="list.keyOf(command)">{{ list.keyOf(command) }}</kbd>
</template>
