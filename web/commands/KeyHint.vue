<script setup lang="ts">
import { useKeyOf } from './use-key-of.ts';
import type { CommandId } from './usual.ts';

/** The key of a command, as it is now: on its button. */
defineProps<{ command: CommandId }>();
const { keyOf } = useKeyOf();
</script>

<template>
  <kbd v-if="keyOf(command)">{{ keyOf(command) }}</kbd>
</template>
