<script setup lang="ts">
import Checkbox from 'ant-design-vue/es/checkbox';

/** A box to tick, with its words. */
defineProps<{ name?: string }>();
const checked = defineModel<boolean>({ required: true });
</script>

<template>
  <Checkbox v-model:checked="checked" :aria-label="name"><slot></slot></Checkbox>
</template>
