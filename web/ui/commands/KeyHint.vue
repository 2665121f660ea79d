<script setup lang="ts">
import { computed, inject } from 'vue';
import { keyTexts } from './key-texts.ts';

/** The key of a command, as it is now: on its button. */
const props = defineProps<{ command: string }>();
const textOf = inject(keyTexts, () => null);
const key = computed(() => textOf(props.command));
</script>

<template>
  <kbd v-if="key !== null">{{ key }}</kbd>
</template>
