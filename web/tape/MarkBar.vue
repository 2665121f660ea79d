<script setup lang="ts">
import { computed } from 'vue';
import KeyHint from '../commands/KeyHint.vue';
import TextButton from '../controls/TextButton.vue';
import { linesOf } from '../../core/track/caption.ts';
import { useTrack } from '../stores/track.ts';
import { useMarking } from './marking.ts';

/** The captions that wait for their times: the next one large, the one after it small. */
const track = useTrack();
const marking = useMarking();
const next = computed(() => marking.queue[0] ?? null);
const after = computed(() => marking.queue[1] ?? null);
</script>

<template>
  <section
    v-if="marking.untimed.length > 0"
    class="mark-bar sheet ruled row wide top"
    aria-label="Captions not timed yet"
  >
    <div class="stack close grow">
      <p v-if="next" class="mark-next lines" dir="auto" data-test="next-to-time">{{ next.text || '(no text yet)' }}</p>
      <p v-else>Every caption that is left was skipped.</p>
      <p v-if="after" class="soft small cut" dir="auto">then: {{ linesOf(after).join(' / ') }}</p>
      <p class="soft small">
        {{ marking.untimed.length }} not timed yet. Play, and hold <KeyHint command="mark" /> while this is said; a tap
        ends one and begins the next.
      </p>
    </div>
    <TextButton :disabled="marking.marks.length === 0 || !track.editable" @click="marking.takeBack()">
      Take back <KeyHint command="mark-back" />
    </TextButton>
    <TextButton v-if="next" @click="marking.skip()">Skip <KeyHint command="mark-skip" /></TextButton>
    <TextButton v-else @click="marking.bringBack()">Bring them back</TextButton>
  </section>
</template>

<style scoped>
.mark-bar {
  padding: 8px 14px;
}
.mark-next {
  font: var(--size-read) / 24px var(--read);
}
</style>
