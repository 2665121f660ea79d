<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, shallowRef, useTemplateRef } from 'vue';
import type { Caption } from '../../../core/model/caption.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { inSight, margin, toPx, type Sight } from './scale.ts';

/** The captions of one of the two tracks, down a scale of time. */
const props = defineProps<{
  label: string;
  captions: readonly Caption[];
  /** Where they were, drawn behind. */
  ghosts: readonly Caption[];
  /** Id of the caption the keys are at. */
  cursor: string | null;
  /** Id of the one that waits for its other. */
  picked: string | null;
  /** How far down time is drawn, in ms. */
  length: number;
  /** Draws the times at its side. */
  scaled?: boolean;
  lang: string;
}>();
const emit = defineEmits<{ choose: [caption: Caption]; key: [event: KeyboardEvent]; sight: [sight: Sight] }>();
const times = useTimes();
const scroller = useTemplateRef<HTMLElement>('scroller');
const sight = shallowRef<Sight>({ top: 0, height: 600 });
const blocks = computed(() => inSight(props.captions, sight.value));
const shadows = computed(() => inSight(props.ghosts, sight.value));
/** Every two seconds has its time, which is as close as they can be read. */
const step = 2000;
const marks = computed(() => {
  const [from, to] = [sight.value.top, sight.value.top + sight.value.height];
  const first = Math.max(0, Math.floor((from - margin) / toPx(step)) * step);
  const many = Math.ceil((to - from) / toPx(step)) + 2;
  return Array.from({ length: many }, (_, i) => first + i * step).filter((ms) => ms <= props.length);
});
const id = (caption: string): string => `${props.scaled ? 'moved' : 'giving'}-${caption}`;

function look(): void {
  const { value: element } = scroller;
  if (!element) return;
  sight.value = { top: element.scrollTop, height: element.clientHeight };
  emit('sight', sight.value);
}
const watcher = new ResizeObserver(look);
onMounted(() => scroller.value && watcher.observe(scroller.value));
onBeforeUnmount(() => watcher.disconnect());
defineExpose({
  scrollTo(top: number): void {
    if (scroller.value) scroller.value.scrollTop = top;
  },
  focus: (): void => scroller.value?.focus({ preventScroll: true }),
});
</script>

<template>
  <div
    ref="scroller"
    class="borrow-column"
    :class="{ scaled }"
    tabindex="0"
    role="listbox"
    :aria-label="label"
    :aria-activedescendant="cursor === null ? undefined : id(cursor)"
    @scroll="look"
    @keydown="emit('key', $event)"
  >
    <div class="time" :style="{ height: `${toPx(length) + 2 * margin}px` }" role="presentation">
      <template v-if="scaled">
        <span
          v-for="ms in marks"
          :key="ms"
          class="mark figures fine-print soft"
          aria-hidden="true"
          :style="{ top: `${margin + toPx(ms)}px` }"
          >{{ times.clock(ms).replace(/\.\d+$/, '') }}</span
        >
      </template>
      <div
        v-for="c in shadows"
        :key="`was ${c.id}`"
        class="ghost block-of"
        aria-hidden="true"
        :style="{ top: `${margin + toPx(c.start)}px`, height: `${Math.max(4, toPx(c.end - c.start))}px` }"
      ></div>
      <div
        v-for="c in blocks"
        :id="id(c.id)"
        :key="c.id"
        class="block-of caption-block row top between"
        :class="{ here: c.id === cursor, picked: c.id === picked }"
        role="option"
        :aria-selected="c.id === cursor"
        :aria-setsize="captions.length"
        :aria-posinset="c.place + 1"
        :style="{ top: `${margin + toPx(c.start)}px`, height: `${Math.max(19, toPx(c.end - c.start))}px` }"
        @click="emit('choose', c)"
      >
        <span class="lines small words" dir="auto" :lang="lang">{{ c.text }}</span>
        <span class="figures fine-print soft">{{ times.clock(c.start) }}</span>
      </div>
      <slot></slot>
    </div>
  </div>
</template>

<style scoped>
.borrow-column {
  flex: 1;
  min-width: 0;
  overflow-y: auto;
  /* Two columns that go together cannot each have its own bar. */
  scrollbar-width: none;
}
.borrow-column:focus-visible {
  outline-offset: -2px;
}
.time {
  position: relative;
}
.mark {
  position: absolute;
  left: 10px;
  transform: translateY(-50%);
}
.block-of {
  position: absolute;
  right: 4px;
  left: 4px;
}
.scaled .block-of {
  left: 66px;
}
.caption-block {
  overflow: hidden;
  padding: 1px 8px;
  border: 1px solid var(--rule);
  border-left: 4px solid var(--reed-pale);
  background: var(--sheet);
  cursor: pointer;
}
.scaled .caption-block {
  border-left-color: var(--sun);
}
.caption-block.here {
  z-index: 1;
  border-color: var(--ink);
  border-left-color: var(--water);
}
.caption-block.picked {
  background: var(--water-pale);
}
.words {
  line-height: 1.25;
}
.ghost {
  border: 1px dashed var(--field);
  opacity: 0.45;
}
</style>
