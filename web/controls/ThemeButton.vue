<script setup lang="ts">
import { Moon, Sun } from '@lucide/vue';
import { computed } from 'vue';
import { usePreferences } from '../stores/preferences.ts';
import IconButton from './IconButton.vue';

const preferences = usePreferences();
const other = computed(() => (preferences.dark ? 'light' : 'dark'));
</script>

<template>
  <IconButton on-header :name="`Use the ${other} theme`" @click="preferences.theme = other">
    <component :is="preferences.dark ? Sun : Moon" :size="16" aria-hidden="true" />
  </IconButton>
</template>
