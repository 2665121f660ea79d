<script setup lang="ts">
import { Moon, Sun } from '@lucide/vue';
import { computed, inject, ref } from 'vue';
import { themeInUse } from '../theme/choice.ts';
import IconButton from './IconButton.vue';

const theme = inject(themeInUse, ref('light'));
const other = computed(() => (theme.value === 'dark' ? 'light' : 'dark'));
</script>

<template>
  <IconButton on-header :name="`Use the ${other} theme`" @click="theme = other">
    <component :is="theme === 'dark' ? Sun : Moon" :size="16" aria-hidden="true" />
  </IconButton>
</template>
