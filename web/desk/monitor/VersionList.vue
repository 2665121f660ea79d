<script setup lang="ts">
import { computed } from 'vue';
import type { Caption } from '../../../core/model/caption.ts';
import type { VersionChoice } from '../../../core/model/edits.ts';
import { useTrack } from '../../data/tracks/track.ts';
import TextButton from '../../ui/controls/TextButton.vue';
import { useTimes } from '../../data/tracks/times.ts';

const times = useTimes();
const props = defineProps<{ caption: Caption }>();
const track = useTrack();

interface Shown {
  readonly chosen: VersionChoice;
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
          title: `Written elsewhere, ${times.clock(v.start)} to ${times.clock(v.end)}`,
          text: v.text,
          action: 'Use this one',
        }
      : { chosen: 'removed', title: 'Removed elsewhere', text: null, action: 'Remove the caption' },
  ),
]);

function choose(chosen: VersionChoice): void {
  track.change({ type: 'chooseVersion', id: props.caption.id, chosen });
}
</script>

<template>
  <section class="versions note bad small" aria-labelledby="versions-title">
    <h3 id="versions-title" class="small"><span aria-hidden="true">▲</span> Versions of this caption</h3>
    <ul class="plain-list">
      <li v-for="v in versions" :key="v.chosen" class="row between line-row">
        <span class="versions-said">
          <span class="block">{{ v.title }}</span>
          <span v-if="v.text !== null" class="block large lines">{{ v.text || '(no text)' }}</span>
        </span>
        <TextButton @click="choose(v.chosen)">{{ v.action }}</TextButton>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.versions {
  margin-bottom: 12px;
}
</style>
