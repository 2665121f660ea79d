<script setup lang="ts">
import { computed } from 'vue';
import type { Caption } from '../../core/track/caption.ts';
import type { Choice } from '../../core/track/edits.ts';
import { marginClock } from '../../core/time/clock.ts';
import { useTrack } from '../stores/track.ts';
import TextButton from '../controls/TextButton.vue';

const props = defineProps<{ caption: Caption }>();
const track = useTrack();

interface Shown {
  readonly chosen: Choice;
  readonly title: string;
  /** Null where the version is that there is no caption. */
  readonly text: string | null;
  readonly action: string;
}
const versions = computed((): Shown[] => [
  { chosen: 'standing', title: 'Shown in the track', text: props.caption.text, action: 'Keep this one' },
  ...(props.caption.versions ?? []).map((v): Shown =>
    v
      ? {
          chosen: `version:${v.id}`,
          title: `Written elsewhere, ${marginClock(v.start)} to ${marginClock(v.end)}`,
          text: v.text,
          action: 'Use this one',
        }
      : { chosen: 'removed', title: 'Removed elsewhere', text: null, action: 'Remove the caption' },
  ),
]);

function choose(chosen: Choice): void {
  track.change({ type: 'chooseVersion', id: props.caption.id, chosen });
}
</script>

<template>
  <section class="versions" aria-labelledby="versions-title">
    <h3 id="versions-title"><span aria-hidden="true">▲</span> Versions of this caption</h3>
    <ul>
      <li v-for="v in versions" :key="v.chosen">
        <span class="versions-said">
          <span class="versions-title">{{ v.title }}</span>
          <span v-if="v.text !== null" class="versions-text">{{ v.text || '(no text)' }}</span>
        </span>
        <TextButton @click="choose(v.chosen)">{{ v.action }}</TextButton>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.versions {
  margin-bottom: 12px;
  padding: 8px 10px 4px;
  border-left: 4px solid var(--alarm);
  background: var(--alarm-wash);
  font-size: 14px;
}
h3 {
  font-size: 14px;
}
ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
  padding: 6px 0;
}
li + li {
  border-top: 1px solid var(--rule);
}
li button {
  flex: none;
}
.versions-title,
.versions-text {
  display: block;
}
.versions-text {
  font-size: 16px;
  line-height: 1.35;
  white-space: pre-line;
}
</style>
