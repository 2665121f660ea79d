<script setup lang="ts">
import { defineAsyncComponent, onBeforeUnmount, onMounted, shallowRef } from 'vue';

/**
 * The one tooltip of the page: it says what stands in `data-tip` of whatever is pointed at or has the keyboard.
 * Ant's own comes by the pointer alone, is deaf to Escape, and costs 2 ms each. It is fetched with the first tip.
 */
const Tooltip = defineAsyncComponent(() => import('ant-design-vue/es/tooltip'));
interface Tip {
  readonly text: string;
  readonly box: DOMRect;
}
const tip = shallowRef<Tip | null>(null);
/** A pointer that only passes by is told nothing. */
const pause = 350;
let timer = 0;

function show(target: EventTarget | null, after: number): void {
  clearTimeout(timer);
  const of = target instanceof Element ? target.closest<HTMLElement>('[data-tip]') : null;
  const text = of?.dataset['tip'] ?? '';
  if (!of || text === '') {
    tip.value = null;
    return;
  }
  timer = window.setTimeout(() => {
    if (of.isConnected) tip.value = { text, box: of.getBoundingClientRect() };
  }, after);
}
const hide = (): void => {
  clearTimeout(timer);
  tip.value = null;
};
const onOver = (event: Event): void => show(event.target, pause);
const onFocus = (event: Event): void => {
  if (event.target instanceof Element && event.target.matches(':focus-visible')) show(event.target, 0);
};
const onKey = (event: KeyboardEvent): void => {
  if (event.key === 'Escape') hide();
};
const heard = [
  ['pointerover', onOver],
  ['focusin', onFocus],
  ['focusout', hide],
  ['pointerdown', hide],
  ['scroll', hide],
  ['keydown', onKey],
] as const;
onMounted(() => heard.forEach(([type, on]) => addEventListener(type, on as EventListener, true)));
onBeforeUnmount(() => {
  hide();
  heard.forEach(([type, on]) => removeEventListener(type, on as EventListener, true));
});
</script>

<template>
  <Tooltip v-if="tip" :key="tip.text + tip.box.x + tip.box.y" open :title="tip.text" :trigger="[]">
    <span
      class="tip-anchor"
      :style="{
        left: `${tip.box.left}px`,
        top: `${tip.box.top}px`,
        width: `${tip.box.width}px`,
        height: `${tip.box.height}px`,
      }"
    ></span>
  </Tooltip>
</template>
