<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue';
import { useRoute } from 'vue-router';
import { useBorrow } from '../borrow/borrow.ts';
import { withMoved } from '../captions/retiming.ts';
import { useDrag } from '../tape/use-drag.ts';
import BesidePanel from './BesidePanel.vue';
import CaptionFigures from './CaptionFigures.vue';
import MonitorWidth from './MonitorWidth.vue';
import FindingList from './FindingList.vue';
import PictureView from './PictureView.vue';
import TransportBar from './TransportBar.vue';
import VersionList from './VersionList.vue';
import { useChosenEdge } from '../tape/chosen-edge.ts';
import EdgeSound from './EdgeSound.vue';
import EdgeNote from '../tape/EdgeNote.vue';
import { useRetime } from '../retime/retime.ts';
import { usePlace } from '../stores/place.ts';

const place = usePlace();
const retime = useRetime();
const borrow = useBorrow();
const TieRows = defineAsyncComponent(() => import('../borrow/TieRows.vue'));
const isBorrowing = computed(() => retime.isOpen && retime.tool === 'borrow' && borrow.giving !== null);
const drag = useDrag();
const edge = useChosenEdge();
const route = useRoute();
/** The cursor caption; while it is dragged, with the times it would have. */
const caption = computed(() => {
  const { caption: here } = place;
  return here ? (withMoved([here], drag.held?.moved.changes ?? [])[0] ?? here) : null;
});
</script>

<template>
  <aside id="monitor" class="monitor sheet" aria-label="Monitor">
    <MonitorWidth />
    <PictureView />
    <TransportBar />
    <EdgeNote />
    <EdgeSound v-if="edge.caption && route.name !== 'tape'" />
    <TieRows v-if="isBorrowing" :captions="retime.captions" />
    <BesidePanel v-if="caption && !isBorrowing" :caption="caption" />
    <div v-if="!isBorrowing" class="monitor-figures ruled-above scrolls">
      <template v-if="caption">
        <VersionList v-if="caption.versions" :caption="caption" />
        <CaptionFigures :caption="caption" />
        <FindingList :caption="caption" />
      </template>
      <p v-else class="soft">There is no caption in this track yet.</p>
    </div>
  </aside>
</template>

<style scoped>
.monitor {
  position: relative;
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-left: 1px solid var(--rule);
}
.monitor-figures {
  padding: 12px;
}
</style>
