<script setup lang="ts">
import { computed } from 'vue';
import { usePreferences } from '../data/preferences/preferences.ts';
import ThemedPage from '../ui/controls/ThemedPage.vue';
import type { Theme } from '../ui/theme/choice.ts';

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
