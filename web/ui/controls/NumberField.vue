<script setup lang="ts">
import InputNumber from 'ant-design-vue/es/input-number';

/** A number, typed or stepped with the arrow keys. While what is typed is no number, nothing changes. */
withDefaults(
  defineProps<{
    label: string;
    min?: number;
    max?: number;
    step?: number;
    width?: number;
  }>(),
  { min: -Infinity, max: Infinity, step: 1, width: 76 },
);
const value = defineModel<number | null>({ required: true });
</script>

<template>
  <InputNumber
    :value="value ?? ''"
    :min="min"
    :max="max"
    :step="step"
    :aria-label="label"
    size="small"
    :style="{ width: `${width}px` }"
    @change="(now: unknown) => typeof now === 'number' && (value = now)"
  />
</template>
