<script setup lang="ts">
import Input from 'ant-design-vue/es/input';
import { computed, useAttrs, useTemplateRef } from 'vue';

/** A line of text; what else an input takes is passed on to it. */
defineOptions({ inheritAttrs: false });
const props = defineProps<{ label?: string; invalid?: boolean; small?: boolean }>();
const attrs = useAttrs();
const isWrong = computed(() => props.invalid || attrs['aria-invalid'] === 'true');
const value = defineModel<string>({ required: true });
const input = useTemplateRef<{ focus: () => void; select: () => void }>('input');
defineExpose({
  focus: () => input.value?.focus(),
  select: () => input.value?.select(),
});
</script>

<template>
  <Input
    ref="input"
    v-model:value="value"
    v-bind="$attrs"
    :aria-label="label"
    :aria-invalid="isWrong || undefined"
    :status="isWrong ? 'error' : ''"
    :size="small ? 'small' : 'middle'"
  />
</template>
