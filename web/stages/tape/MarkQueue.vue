<script setup lang="ts">
import { computed } from 'vue';
import KeyHint from '../../ui/commands/KeyHint.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { linesOf } from '../../../core/model/caption.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useMarking } from './marking.ts';
import { useTapeView } from './tape-view.ts';

/** The captions that wait for their times, hollow, beside the playhead: the next one large, those after it small. */
const track = useTrack();
const marking = useMarking();
const playback = usePlayback();
const view = useTapeView();
const next = computed(() => marking.queue[0] ?? null);
const after = computed(() => marking.queue.slice(1, 3));
/** Px it needs under the playhead, and from the foot of the page. */
const [under, room] = [8, 180];
/** It stays on the page, wherever the playhead is. */
const y = computed(() => Math.max(under, Math.min(view.yOf(playback.time) + under, view.height - room)));
</script>

<template>
  <section
    v-if="marking.untimed.length > 0"
    class="mark-queue stack close"
    aria-label="Captions not timed yet"
    :style="{ transform: `translateY(${y}px)` }"
    @pointerdown.stop
  >
    <div class="mark-hollow stack close">
      <p v-if="next" class="mark-next lines" dir="auto" data-test="next-to-time">{{ next.text || '(no text yet)' }}</p>
      <p v-else>Every caption that is left was skipped.</p>
    </div>
    <p v-for="caption in after" :key="caption.id" class="mark-hollow soft small truncated" dir="auto">
      {{ linesOf(caption).join(' / ') || '(no text yet)' }}
    </p>
    <div class="mark-foot sheet stack close">
      <p class="soft small">
        {{ marking.untimed.length }} not timed yet. Play, and hold <KeyHint command="mark" /> while this is said; a tap
        ends one and begins the next.
      </p>
      <div class="row wrap">
        <TextButton :disabled="marking.marks.length === 0 || !track.editable" @click="marking.takeBack()">
          Take back <KeyHint command="mark-back" />
        </TextButton>
        <TextButton v-if="next" @click="marking.skip()">Skip <KeyHint command="mark-skip" /></TextButton>
        <TextButton v-else @click="marking.bringBack()">Bring them back</TextButton>
      </div>
    </div>
  </section>
</template>

<style scoped>
.mark-queue {
  position: absolute;
  top: 0;
  right: 10px;
  z-index: 3;
  width: min(330px, 46%);
}
.mark-hollow {
  padding: 6px 12px;
  border: 1px dashed var(--soft);
  background: var(--sheet);
}
.mark-next {
  font: var(--size-read) / 24px var(--read);
}
.mark-foot {
  padding: 4px 10px 8px;
}
</style>
