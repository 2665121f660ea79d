<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue';
import type { Caption } from '../../core/track/caption.ts';
import { captionAt } from '../../core/track/caption.ts';
import { along } from '../../core/track/pieces.ts';
import { withMoved } from '../captions/retiming.ts';
import { languageName } from '../describe/jobs.ts';
import { usePlayback } from '../playback/playback.ts';
import { usePlace } from '../stores/place.ts';
import { useTimes } from '../stores/times.ts';
import { useTrack } from '../stores/track.ts';
import { useBorrow, type TieRow } from './borrow.ts';
import BorrowColumn from './BorrowColumn.vue';
import { margin, toPx, type Sight } from './scale.ts';
import TieLane from './TieLane.vue';
import { useTieSound } from './tie-sound.ts';

/**
 * Two tracks as two columns of time with the ties between them. Each column scrolls by itself until there is a tie; from
 * then on the captions that move stand where they will be, and both go together.
 */
type Side = 'moved' | 'giving';
const borrow = useBorrow();
const track = useTrack();
const place = usePlace();
const times = useTimes();
const playback = usePlayback();
const sound = useTieSound();
type Column = InstanceType<typeof BorrowColumn>;
const columns = {
  moved: useTemplateRef<Column>('movedColumn'),
  giving: useTemplateRef<Column>('givingColumn'),
};

const isTied = computed(() => borrow.pieces.length > 0);
const giving = computed(() => borrow.giving?.captions ?? []);
const moved = computed((): readonly Caption[] => {
  const { pieces } = borrow;
  if (pieces.length === 0) return track.captions;
  if (borrow.way === 'one for one') return withMoved(track.captions, borrow.times);
  return track.captions.map((c) => {
    const start = along(pieces, c.start);
    return { ...c, start, end: Math.max(start + 1, along(pieces, c.end)) };
  });
});
const ghosts = computed(() => (isTied.value ? track.captions : []));
const ends = (captions: readonly Caption[]): number => captions.reduce((last, c) => Math.max(last, c.end), 0);
const length = computed(() => Math.max(times.length, ends(track.captions), ends(moved.value), ends(giving.value)));

const sights = shallowRef<Readonly<Record<Side, Sight>>>({
  moved: { top: 0, height: 0 },
  giving: { top: 0, height: 0 },
});
function seen(side: Side, sight: Sight): void {
  const other = side === 'moved' ? 'giving' : 'moved';
  sights.value = { ...sights.value, [side]: sight };
  if (isTied.value && Math.abs(sights.value[other].top - sight.top) > 1) columns[other].value?.scrollTo(sight.top);
}
/** A third of the way down, so that what comes next is seen too. */
function show(side: Side, caption: Caption | undefined): void {
  const { top, height } = sights.value[side];
  if (!caption || height === 0) return;
  const y = margin + toPx(caption.start);
  if (y < top + 20 || y > top + height - 60) columns[side].value?.scrollTo(Math.max(0, y - height / 3));
}

/** The caption of the other track the keys are at. */
const there = ref<string | null>(null);
const cursors = computed(() => ({ moved: place.caption?.id ?? null, giving: there.value }));
/** The one that waits for its other. */
const picked = ref<{ readonly side: Side; readonly id: string } | null>(null);
const listOf = (side: Side): readonly Caption[] => (side === 'moved' ? moved.value : giving.value);
const at = (side: Side): number => listOf(side).findIndex((c) => c.id === cursors.value[side]);

function goTo(side: Side, index: number): void {
  const list = listOf(side);
  const caption = list[Math.max(0, Math.min(list.length - 1, index))];
  if (!caption) return;
  if (side === 'moved') place.goTo(caption.id, 'chosen');
  else there.value = caption.id;
  show(side, caption);
}
function tie(from: string, to: string): void {
  const [here, other] = [track.captions.find((c) => c.id === from), giving.value.find((c) => c.id === to)];
  picked.value = null;
  if (here && other) borrow.tie(here, other);
}
/** A second one, in the other column, ties the two. */
function choose(side: Side, caption: Caption): void {
  goTo(
    side,
    listOf(side).findIndex((c) => c.id === caption.id),
  );
  if (picked.value && picked.value.side !== side)
    tie(side === 'moved' ? caption.id : picked.value.id, side === 'moved' ? picked.value.id : caption.id);
  else picked.value = picked.value?.id === caption.id ? null : { side, id: caption.id };
}
function follow(row: TieRow): void {
  place.goTo(row.moved, 'chosen');
  there.value = row.giving;
}
function focus(side: Side): void {
  columns[side].value?.focus();
}
function onKey(side: Side, event: KeyboardEvent): void {
  const other = side === 'moved' ? 'giving' : 'moved';
  const many = listOf(side).length;
  const keys: Readonly<Record<string, () => void>> = {
    ArrowUp: () => goTo(side, at(side) - 1),
    ArrowDown: () => goTo(side, at(side) + 1),
    PageUp: () => goTo(side, at(side) - 8),
    PageDown: () => goTo(side, at(side) + 8),
    // Both at once: the first and the last of two tracks are the same thing most often.
    Home: () => (['moved', 'giving'] as const).forEach((one) => goTo(one, 0)),
    End: () => (['moved', 'giving'] as const).forEach((one) => goTo(one, listOf(one).length - 1)),
    ArrowLeft: () => focus('moved'),
    ArrowRight: () => focus('giving'),
    Enter() {
      const { moved: from, giving: to } = cursors.value;
      if (from !== null && to !== null) tie(from, to);
      else focus(other);
    },
    Delete() {
      if (place.caption) borrow.untie(place.caption.id);
    },
    ' '() {
      const caption = listOf(side)[at(side)];
      if (caption) sound.hear({ to: caption.start });
    },
  };
  const key = event.ctrlKey || event.altKey || event.metaKey ? undefined : keys[event.key];
  if (!key || many === 0) return;
  key();
  event.preventDefault();
  event.stopPropagation();
}
// The other column goes to what the cursor caption is tied to.
watch(
  () => place.caption?.id,
  (id) => {
    const row = borrow.rows.find((r) => r.moved === id);
    if (row) there.value = row.giving;
    show(
      'moved',
      moved.value.find((c) => c.id === id),
    );
  },
);
watch(
  isTied,
  (now) => {
    if (now) columns.giving.value?.scrollTo(sights.value.moved.top);
  },
  { flush: 'post' },
);
onMounted(() => {
  const row = borrow.rows.find((r) => r.moved === place.caption?.id);
  there.value =
    row?.giving ?? giving.value[Math.max(0, captionAt(giving.value, place.caption?.start ?? 0))]?.id ?? null;
  focus('moved');
});
const many = (captions: readonly Caption[]): string =>
  captions.length === 1 ? 'one caption' : `${String(captions.length)} captions`;
</script>

<template>
  <section class="borrow-panel fills" aria-label="Borrow timing">
    <div class="heads row ruled">
      <p class="moved-head cut">
        <b>{{ languageName(track.track?.language ?? '') }}</b>
        <span class="soft small head-says">to be moved · {{ many(track.captions) }}</span>
      </p>
      <p class="giving-head cut">
        <b>{{ languageName(borrow.giving?.language ?? '') }}</b>
        <span class="soft small head-says">{{ borrow.giving?.title }} gives the times · {{ many(giving) }}</span>
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
      Space plays from there, Delete does without a tie.
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
