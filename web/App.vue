<script setup lang="ts">
import { computed } from 'vue';
import { usePreferences } from './stores/preferences.ts';
import ThemedPage from './theme/ThemedPage.vue';
import type { Theme } from './theme/choice.ts';

const preferences = usePreferences();
const theme = computed<Theme>({
  get: () => (preferences.dark ? 'dark' : 'light'),
  set: (now) => (preferences.theme = now),
});
</script>

<template>
  <ThemedPage v-model="theme">
    <RouterView />
  </ThemedPage>
</template>
