<script setup lang="ts">
import Button from 'ant-design-vue/es/button';

/** A button with a picture alone: its name is what it is called by ear, and what its tip says. */
withDefaults(
  defineProps<{
    name: string;
    /** Its key, shown after the name. */
    keys?: string | null;
    disabled?: boolean;
    main?: boolean;
    round?: boolean;
    /** On the dark header. */
    onHeader?: boolean;
  }>(),
  { keys: '' },
);
</script>

<template>
  <Button
    :type="main ? 'primary' : onHeader ? 'default' : 'text'"
    :ghost="onHeader"
    size="small"
    :shape="round ? 'circle' : 'default'"
    :disabled="disabled"
    :aria-label="name"
    :data-tip="!keys ? name : `${name}  ${keys}`"
    class="icon-button"
    ><slot></slot
  ></Button>
</template>
