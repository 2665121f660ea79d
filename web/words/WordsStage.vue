<script setup lang="ts">
import { computed } from 'vue';
import { mustGo } from '../../core/rules/findings.ts';
import { useFindings } from '../stores/findings.ts';
import { usePlace } from '../stores/place.ts';
import { usePlayback } from '../stores/playback.ts';
import { useTrack } from '../stores/track.ts';
import WordsSurface from './WordsSurface.vue';

const track = useTrack();
const place = usePlace();
const playback = usePlayback();
const findings = useFindings();
const proofed = computed(() => track.captions.reduce((n, c) => n + (c.proofed ? 1 : 0), 0));
const findable = computed(() => track.captions.some((c) => mustGo(findings.of(c.id))));

function proof(): void {
  const here = place.caption;
  if (here) track.change({ type: 'proof', ids: [here.id], proofed: !here.proofed });
}
function nextFinding(): void {
  const from = place.index;
  const next = [...track.captions.slice(from + 1), ...track.captions.slice(0, from + 1)].find((c) =>
    mustGo(findings.of(c.id)),
  );
  if (next) place.goTo(next.id, 'chosen');
}
</script>

<template>
  <div class="stage-bar">
    <h2>Line by line</h2>
    <span class="soft">{{ proofed }} of {{ track.captions.length }} proofed</span>
    <span class="spring"></span>
    <button
      type="button"
      class="plain-button"
      :aria-pressed="place.follow"
      title="While playing, the cursor caption goes along"
      @click="place.follow = !place.follow"
    >
      Follow{{ place.follow ? ' ✓' : '' }}
    </button>
    <button
      type="button"
      class="plain-button"
      :disabled="!place.caption"
      title="With the one before and after (Ctrl Shift ')"
      @click="playback.replay(place.index - 1, place.index + 1)"
    >
      Replay three
    </button>
    <button type="button" class="plain-button" :disabled="!findable" @click="nextFinding">
      Next finding <kbd>F8</kbd>
    </button>
    <button
      type="button"
      class="plain-button"
      :disabled="!place.caption || !track.editable"
      :aria-pressed="place.caption?.proofed ?? false"
      @click="proof"
    >
      {{ place.caption?.proofed ? 'Proofed ✓' : 'Proofed' }} <kbd>Ctrl ↵</kbd>
    </button>
  </div>
  <p v-if="!track.editable" class="words-note" role="status">
    This is a machine draft: it stays as the recogniser left it.
  </p>
  <div v-if="track.captions.length === 0" class="words-empty">
    <h2>No captions yet</h2>
    <p class="soft">Bring a caption file or a machine draft in on the Jobs page, under New job.</p>
  </div>
  <WordsSurface v-else />
</template>

<style scoped>
.words-note {
  padding: 6px 14px;
  background: var(--sun-wash);
}
.words-empty {
  padding: 60px 24px;
  text-align: center;
}
</style>
