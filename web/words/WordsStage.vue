<script setup lang="ts">
import { computed } from 'vue';
import { useDeeds } from '../commands/use-deeds.ts';
import { useFindings } from '../stores/findings.ts';
import { usePlace } from '../stores/place.ts';
import { useTrack } from '../stores/track.ts';
import WordsSurface from './WordsSurface.vue';

const track = useTrack();
const place = usePlace();
const deeds = useDeeds();
const findings = useFindings();
const findable = computed(() => findings.found.byCaption.size > 0);
</script>

<template>
  <div class="stage-bar">
    <h2>Line by line</h2>
    <span class="soft">{{ track.proofed }} of {{ track.captions.length }} proofed</span>
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
      @click="deeds.replay(1)"
    >
      Replay three
    </button>
    <button type="button" class="plain-button" :disabled="!findable" @click="deeds.finding(1)">
      Next finding <kbd>F8</kbd>
    </button>
    <button
      v-if="place.caption?.proofed"
      type="button"
      class="plain-button"
      :disabled="!track.editable"
      @click="deeds.unproof()"
    >
      Proofed ✓, take back
    </button>
    <button
      v-else
      type="button"
      class="plain-button"
      :disabled="!place.caption || !track.editable"
      title="Proofed, and on to the next"
      @click="deeds.proof()"
    >
      Proofed <kbd>Ctrl ↵</kbd>
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
