<script setup lang="ts" generic="T extends string, O extends { readonly value: T; readonly title: string }">
import Radio, { RadioGroup } from 'ant-design-vue/es/radio';
import { useId } from 'vue';

/** One of several, each with a few words of its own. Ant's group has no role and no name, so that arrows do not go through it. */
defineProps<{ label: string; options: readonly O[] }>();
const value = defineModel<T>({ required: true });
const name = useId();
</script>

<template>
  <RadioGroup v-model:value="value" role="radiogroup" :aria-label="label" :name="name" class="choice-cards">
    <Radio
      v-for="option in options"
      :key="option.value"
      :value="option.value"
      :class="{ chosen: option.value === value }"
      ><slot :option="option"
        ><b>{{ option.title }}</b></slot
      ></Radio
    >
  </RadioGroup>
</template>
