<script setup lang="ts">
import { computed } from 'vue';
import { useCaption } from '../captions/use-caption.ts';
import { useGoToFinding } from '../checks/use-go-to-finding.ts';
import { useFindings } from '../stores/findings.ts';
import { useSelection } from '../stores/selection.ts';
import { usePlace } from '../stores/place.ts';
import { usePreferences } from '../stores/preferences.ts';
import { useTrack } from '../stores/track.ts';
import EmptyTrack from './EmptyTrack.vue';
import FindBar from './FindBar.vue';
import CorrectionOffer from './CorrectionOffer.vue';
import PlacesDialog from './PlacesDialog.vue';
import SelectionBar from './SelectionBar.vue';
import SuggestionCard from './SuggestionCard.vue';
import { useDoubt } from './use-doubt.ts';
import { useFind } from './use-find.ts';
import { useCorrections } from './use-corrections.ts';
import WordsSurface from './WordsSurface.vue';
import KeyHint from '../commands/KeyHint.vue';

const track = useTrack();
const place = usePlace();
const selection = useSelection();
const caption = useCaption();
const goToFinding = useGoToFinding();
const findings = useFindings();
const preferences = usePreferences();
const doubt = useDoubt();
const find = useFind();
const corrections = useCorrections();
const findable = computed(() => findings.found.byCaption.size > 0);
const readings = [
  ['lines', 'Line by line'],
  ['text', 'Running text'],
] as const;
</script>

<template>
  <div class="stage-bar">
    <h2 class="visually-hidden">Words</h2>
    <div class="readings" role="group" aria-label="How the words are read">
      <button
        v-for="[id, name] in readings"
        :key="id"
        type="button"
        :aria-pressed="preferences.reading === id"
        @click="preferences.reading = id"
      >
        {{ name }}
      </button>
    </div>
    <button
      type="button"
      class="plain-button"
      :disabled="doubt.count === 0"
      title="Next doubtful word, with suggestions"
      @click="doubt.next()"
    >
      {{ doubt.count }} doubtful <KeyHint command="doubtful" />
    </button>
    <button type="button" class="plain-button" :disabled="!findable" @click="goToFinding(1)">
      Next finding <KeyHint command="finding" />
    </button>
    <span class="spring"></span>
    <button
      v-if="place.caption?.proofed"
      type="button"
      class="plain-button"
      :disabled="!track.editable"
      @click="caption.unproof()"
    >
      Proofed ✓, take back
    </button>
    <button
      v-else
      type="button"
      class="plain-button"
      :disabled="!place.caption || !track.editable"
      title="Proofed, and on to the next"
      @click="caption.proof()"
    >
      Proofed <KeyHint command="proof" />
    </button>
    <button type="button" class="plain-button words-find" title="Find and replace" @click="find.start()">
      Find <KeyHint command="find" />
    </button>
  </div>
  <p v-if="!track.editable" class="words-note" role="status">
    This is a machine draft: it stays as the recogniser left it.
  </p>
  <FindBar v-if="find.open" />
  <EmptyTrack v-if="track.captions.length === 0" />
  <div v-else class="words-desk">
    <WordsSurface />
    <SuggestionCard />
    <SelectionBar />
    <CorrectionOffer v-if="!selection.places" />
    <PlacesDialog
      v-if="corrections.offer"
      v-model:open="corrections.choosing"
      :title="`Where “${corrections.offer.correction.was}” stands too`"
      :places="corrections.offer.places"
      :replacement="corrections.offer.correction.now"
      :pattern="false"
      @done="corrections.correctIn($event)"
    />
  </div>
</template>

<style scoped>
.readings {
  display: inline-flex;
  flex: none;
  border: 1px solid var(--rule);
  border-radius: 4px;
  overflow: hidden;
}
.readings button {
  padding: 3px 10px;
  border: 0;
  background: var(--sheet);
  color: var(--ink);
  font: 500 14px/1.5 var(--read);
  white-space: nowrap;
  cursor: pointer;
}
.readings button[aria-pressed='true'] {
  background: var(--reed-wash);
  color: var(--reed);
  font-weight: 700;
}
.words-desk {
  position: relative;
  display: flex;
  flex: 1;
  flex-direction: column;
  min-height: 0;
}
.words-note {
  padding: 6px 14px;
  background: var(--sun-wash);
}
.words-desk :deep(.foot-bar) {
  position: absolute;
  right: 12px;
  bottom: 12px;
  left: 12px;
  z-index: 4;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  padding: 8px 10px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  box-shadow: 0 6px 18px rgb(0 0 0 / 18%);
}
.words-desk :deep(.foot-bar p) {
  flex: 1 1 auto;
}
</style>
