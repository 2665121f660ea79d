<script setup lang="ts">
import Modal from 'ant-design-vue/es/modal';
import { useKeyboardBack } from './keyboard-back.ts';

/**
 * A dialog that is there at once, with the keyboard in it: one that glides in is deaf to the first key. Its
 * transition has a name of which no sheet of styles knows, so that it ends as soon as it begins. Ant does not
 * say that what is behind it cannot be reached; that is said here.
 */
defineOptions({ inheritAttrs: false });
const open = defineModel<boolean>('open', { required: true });
useKeyboardBack(open);
</script>

<template>
  <Modal
    v-model:open="open"
    v-bind="$attrs"
    :wrap-props="{ 'aria-modal': 'true' }"
    :focus-trigger-after-close="false"
    transition-name="at-once"
    mask-transition-name="at-once"
  >
    <slot></slot>
  </Modal>
</template>
