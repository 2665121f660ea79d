<script setup lang="ts">
import Button from 'ant-design-vue/es/button';

/**
 * A button with words on it. Ant leaves no gap after an icon that is not its own, and says nothing of being pressed.
 * `tip` is shown beside it while it is pointed at or has the keyboard.
 */
withDefaults(
  defineProps<{
    /** The one main action of its panel. */
    main?: boolean;
    /** It stays down, or does not; left out where it does neither. */
    pressed?: boolean | undefined;
    /** It takes something away. */
    danger?: boolean;
    large?: boolean;
    disabled?: boolean;
    submit?: boolean;
    tip?: string | undefined;
  }>(),
  { pressed: undefined, tip: undefined },
);
</script>

<template>
  <Button
    :type="main ? 'primary' : 'default'"
    :size="large ? 'middle' : 'small'"
    :danger="danger"
    :disabled="disabled"
    :html-type="submit ? 'submit' : 'button'"
    :aria-pressed="pressed"
    :data-tip="tip"
    ><slot></slot
  ></Button>
</template>
