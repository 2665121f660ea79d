<script setup lang="ts" generic="T extends string">
import { RadioButton, RadioGroup } from 'ant-design-vue/es/radio';
import { useId } from 'vue';

/** One of a few, side by side. Ant's group has no role and no name, so that arrows do not go through it. */
defineProps<{
  /** What is chosen. */
  label: string;
  options: readonly (readonly [value: T, title: string])[];
}>();
const value = defineModel<T>({ required: true });
const name = useId();
</script>

<template>
  <RadioGroup
    v-model:value="value"
    role="radiogroup"
    :aria-label="label"
    :name="name"
    size="small"
    class="choice-buttons"
  >
    <RadioButton v-for="[key, title] in options" :key="key" :value="key">{{ title }}</RadioButton>
  </RadioGroup>
</template>
