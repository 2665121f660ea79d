<script setup lang="ts">
import ConfigProvider from 'ant-design-vue/es/config-provider';
import { computed, provide, useTemplateRef } from 'vue';
import TipLayer from './TipLayer.vue';
import { nonce } from '../nonce.ts';
import { antTheme } from '../theme/ant.ts';
import { themeInUse, type Theme } from '../theme/choice.ts';

/** What every page of the application stands in: the theme of its controls, their hints, their lists and menus. */
const chosen = defineModel<Theme>({ required: true });
provide(themeInUse, chosen);
const popups = useTemplateRef<HTMLElement>('popups');
const popupsOf = (): HTMLElement => popups.value ?? document.body;
const csp = { nonce };
/** The colours stand in the sheet of tokens, once for both: those of the theme that is on are read from there. */
const theme = computed(() => {
  document.documentElement.dataset['theme'] = chosen.value;
  const tokens = getComputedStyle(document.documentElement);
  return antTheme((name) => tokens.getPropertyValue(`--${name}`).trim());
});
</script>

<template>
  <ConfigProvider
    :theme="theme"
    :csp="csp"
    :wave="{ disabled: true }"
    :auto-insert-space-in-button="false"
    :get-popup-container="popupsOf"
  >
    <slot></slot>
    <TipLayer />
    <!-- Lists and menus that are open stand here, so that they belong to a part of the page that has a name. -->
    <div ref="popups" role="region" aria-label="Open lists and menus"></div>
  </ConfigProvider>
</template>
