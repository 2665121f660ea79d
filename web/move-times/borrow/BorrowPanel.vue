<script setup lang="ts">
import { useTemplateRef } from 'vue';
import type { Caption } from '../../../core/model/caption.ts';
import { languageName } from '../../ui/describe/jobs.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useBorrow } from './borrow.ts';
import BorrowColumn from './BorrowColumn.vue';
import { margin, toPx } from './scale.ts';
import TieLane from './TieLane.vue';
import { useColumns } from './use-columns.ts';

/** Two tracks as two columns of time with the ties between them. */
const borrow = useBorrow();
const track = useTrack();
const playback = usePlayback();
type Column = InstanceType<typeof BorrowColumn>;
const { isTied, moved, giving, ghosts, length, sights, cursors, picked, seen, choose, follow, tie, onKey } = useColumns(
  {
    moved: useTemplateRef<Column>('movedColumn'),
    giving: useTemplateRef<Column>('givingColumn'),
  },
);
const many = (captions: readonly Caption[]): string =>
  captions.length === 1 ? 'one caption' : `${String(captions.length)} captions`;
</script>

<template>
  <section class="borrow-panel fills" aria-label="Borrow timing">
    <div class="heads row ruled">
      <p class="moved-head truncated">
        <b>{{ languageName(track.track?.language ?? '') }}</b>
        <span class="soft small head-says">to be moved · {{ many(track.captions) }}</span>
      </p>
      <p class="giving-head truncated">
        <b>{{ languageName(borrow.giving?.language ?? '') }}</b>
        <span class="soft small head-says">gives the times · {{ many(giving) }}</span>
      </p>
    </div>
    <div class="columns">
      <BorrowColumn
        ref="movedColumn"
        scaled
        label="Captions to be moved"
        :lang="track.track?.language ?? ''"
        :captions="moved"
        :ghosts="ghosts"
        :cursor="cursors.moved"
        :picked="picked?.side === 'moved' ? picked.id : null"
        :length="length"
        @choose="(c) => choose('moved', c)"
        @key="(e) => onKey('moved', e)"
        @sight="(s) => seen('moved', s)"
      >
        <div v-if="isTied" class="playhead" :style="{ top: `${margin + toPx(playback.time)}px` }"></div>
      </BorrowColumn>
      <TieLane
        :rows="borrow.rows"
        :moved="moved"
        :giving="giving"
        :left="sights.moved"
        :right="sights.giving"
        :cursor="cursors.moved"
        @choose="follow"
        @tie="tie"
      />
      <BorrowColumn
        ref="givingColumn"
        label="Captions that give the times"
        :lang="borrow.giving?.language ?? ''"
        :captions="giving"
        :ghosts="[]"
        :cursor="cursors.giving"
        :picked="picked?.side === 'giving' ? picked.id : null"
        :length="length"
        @choose="(c) => choose('giving', c)"
        @key="(e) => onKey('giving', e)"
        @sight="(s) => seen('giving', s)"
      >
        <div class="playhead" :style="{ top: `${margin + toPx(playback.time)}px` }"></div>
      </BorrowColumn>
    </div>
    <p class="keys soft small ruled-above">
      Choose a caption in each column to tie them, or press Enter at two. Home and End go to both firsts and both lasts,
      Space plays from there, Delete removes a tie.
    </p>
  </section>
</template>

<style scoped>
.heads {
  gap: 0;
  padding: 8px 0;
}
.heads p {
  flex: 1;
  min-width: 0;
  margin: 0;
}
.moved-head,
.giving-head {
  padding-left: 66px;
}
.head-says {
  margin-left: 6px;
}
.columns {
  display: flex;
  flex: 1;
  min-height: 0;
}
.playhead {
  position: absolute;
  right: 0;
  left: 0;
  height: 2px;
  background: var(--sun);
  pointer-events: none;
}
.keys {
  margin: 0;
  padding: 6px 16px;
}
</style>
