<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { withMoved } from '../captions/retiming.ts';
import BesidePanel from './BesidePanel.vue';
import CaptionFigures from './CaptionFigures.vue';
import MonitorWidth from './MonitorWidth.vue';
import FindingList from './FindingList.vue';
import PictureView from './PictureView.vue';
import TransportBar from './TransportBar.vue';
import VersionList from './VersionList.vue';
import { useChosenEdge } from '../captions/chosen-edge.ts';
import EdgeSound from './EdgeSound.vue';
import EdgeNote from './EdgeNote.vue';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTried } from '../../data/tracks/tried.ts';
import { useMonitorPanel } from './panel.ts';
import WatchBar from '../watch/WatchBar.vue';
import { useWatching } from '../watch/watching.ts';

const cursor = useCursor();
const tried = useTried();
/** Of the tool that is open. */
const tool = useMonitorPanel();
const edge = useChosenEdge();
const route = useRoute();
const watching = useWatching();
/** The cursor caption; while it is dragged, with the times it would have. */
const caption = computed(() => {
  const { caption: here } = cursor;
  return here ? (withMoved([here], tried.dragged)[0] ?? here) : null;
});
</script>

<template>
  <section
    id="monitor"
    class="monitor sheet"
    :class="{ watching: watching.on }"
    :role="watching.on ? 'dialog' : 'complementary'"
    :aria-modal="watching.on || undefined"
    :aria-label="watching.on ? 'Watch through' : 'Monitor'"
  >
    <MonitorWidth v-if="!watching.on" />
    <PictureView />
    <TransportBar />
    <WatchBar v-if="watching.on" />
    <template v-else>
      <EdgeNote />
      <EdgeSound v-if="edge.caption && route.name !== 'tape'" />
      <component :is="tool.panel" v-if="tool.panel" />
      <BesidePanel v-if="caption && !tool.panel" :caption="caption" />
      <div v-if="!tool.panel" class="monitor-figures ruled-above scrolls">
        <template v-if="caption">
          <VersionList v-if="caption.versions" :caption="caption" />
          <CaptionFigures :caption="caption" />
          <FindingList :caption="caption" />
        </template>
        <p v-else class="soft">There is no caption in this track yet.</p>
      </div>
    </template>
  </section>
</template>

<style scoped>
.monitor {
  position: relative;
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-left: 1px solid var(--rule);
}
/* Watched through, the picture takes the window. */
.monitor.watching {
  position: fixed;
  z-index: 40;
  inset: 0;
  border: 0;
}
.monitor.watching :deep(.picture) {
  flex: none;
  width: min(100%, calc((100vh - 112px) * var(--shape)));
  max-height: none;
  margin: auto;
}
.monitor-figures {
  padding: 12px;
}
</style>
