<script setup lang="ts">
import { FormItem } from 'ant-design-vue/es/form';
import { computed, useId } from 'vue';

/**
 * A field of a form with its label, and beside it what is wrong. Ant's says neither to ears: that the field is wrong,
 * that it has to be filled in, and where the message is. What stands in it binds the `field` it is given.
 */
const props = defineProps<{
  label: string;
  /** What is wrong, as a sentence; nothing where all is well. */
  fault?: string | null;
  hint?: string;
  required?: boolean;
  /** Of the field, where it is looked for. */
  id?: string;
}>();
const own = useId();
const id = computed(() => props.id ?? own);
const field = computed(() => ({
  id: id.value,
  'aria-invalid': props.fault ? ('true' as const) : undefined,
  'aria-required': props.required ? ('true' as const) : undefined,
  'aria-describedby': props.fault || props.hint ? `${id.value}-said` : undefined,
}));
</script>

<template>
  <FormItem
    class="form-field"
    :colon="false"
    :label-col="{ class: 'form-label' }"
    label-align="left"
    :validate-status="fault ? 'error' : ''"
    :required="false"
  >
    <template #label
      ><label :for="field.id">{{ label }}</label></template
    >
    <slot :field="field"></slot>
    <p v-if="fault" :id="`${id}-said`" class="small bad" role="alert">{{ fault }}</p>
    <p v-else-if="hint" :id="`${id}-said`" class="small soft">{{ hint }}</p>
  </FormItem>
</template>
