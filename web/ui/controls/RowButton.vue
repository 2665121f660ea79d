<script setup lang="ts">
/**
 * A whole row of a list that can be pressed. It is the browser's own button, since a list has hundreds of them and
 * one of Ant's takes ten times as long to put up.
 */
defineProps<{ disabled?: boolean }>();
</script>

<template>
  <button type="button" class="row-button" :disabled="disabled"><slot></slot></button>
</template>
