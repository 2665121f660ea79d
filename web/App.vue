<script setup lang="ts">
import ConfigProvider from 'ant-design-vue/es/config-provider';
import { computed, watchEffect } from 'vue';
import { nonce } from './nonce.ts';
import { usePreferences } from './stores/preferences.ts';
import { antTheme } from './theme/ant.ts';

const preferences = usePreferences();
const csp = { nonce };
const theme = computed(() => antTheme(preferences.dark));
watchEffect(() => {
  document.documentElement.dataset['theme'] = preferences.dark ? 'dark' : 'light';
});
</script>

<template>
  <ConfigProvider :theme="theme" :csp="csp">
    <RouterView />
  </ConfigProvider>
</template>
