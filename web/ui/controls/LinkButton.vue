<script setup lang="ts">
import Button from 'ant-design-vue/es/button';
import type { RouteLocationRaw } from 'vue-router';

/** A link that looks like a button: it goes somewhere, and can be opened in a tab of its own. */
defineProps<{ to: RouteLocationRaw; main?: boolean; large?: boolean }>();
function follow(event: MouseEvent, navigate: (event: MouseEvent) => unknown): void {
  // With a key held the browser opens it elsewhere by itself.
  if (!event.ctrlKey && !event.metaKey && !event.shiftKey) void navigate(event);
}
</script>

<template>
  <RouterLink v-slot="{ href, navigate }" :to="to" custom>
    <Button
      :type="main ? 'primary' : 'default'"
      :size="large ? 'middle' : 'small'"
      :href="href"
      @click="(event: MouseEvent) => follow(event, navigate)"
      ><slot></slot
    ></Button>
  </RouterLink>
</template>
