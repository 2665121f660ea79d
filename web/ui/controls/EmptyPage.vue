<script setup lang="ts">
import Empty from 'ant-design-vue/es/empty';

/** Where there is nothing to show yet: what it would be, and what to do next. Ant's picture of an empty box is left out. */
defineProps<{ title: string }>();
</script>

<template>
  <Empty class="empty-page" :image-style="{ display: 'none' }">
    <template #image></template>
    <template #description>
      <h2>{{ title }}</h2>
      <div class="soft"><slot></slot></div>
    </template>
    <span v-if="$slots['actions']" class="row"><slot name="actions"></slot></span>
  </Empty>
</template>
