<script setup lang="ts">
import Alert from 'ant-design-vue/es/alert';

/**
 * What the page says by itself: good news, something to know, something that went wrong. Ant's is always called an
 * alert, which interrupts whoever listens; here it is one only where something went wrong.
 */
const props = withDefaults(defineProps<{ tone?: 'good' | 'warn' | 'bad'; role?: string | undefined }>(), {
  tone: 'warn',
  role: undefined,
});
const types = { good: 'success', warn: 'warning', bad: 'error' } as const;
</script>

<template>
  <Alert
    class="note"
    :class="tone"
    :type="types[tone]"
    :role="props.role ?? (tone === 'bad' ? 'alert' : 'status')"
    :show-icon="false"
  >
    <template #message><slot></slot></template>
    <template v-if="$slots['actions']" #action>
      <span class="row wrap"><slot name="actions"></slot></span>
    </template>
  </Alert>
</template>
