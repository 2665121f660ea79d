<script setup lang="ts">
import NoteBox from '../../ui/controls/NoteBox.vue';
import ChoiceButtons from '../../ui/controls/ChoiceButtons.vue';
import { computed } from 'vue';
import { useCaption } from '../../desk/captions/use-caption.ts';
import { useGoToFinding } from '../../desk/findings/use-go-to-finding.ts';
import { useFindings } from '../../desk/findings/findings.ts';
import { useSelection } from '../../data/tracks/selection.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTrack } from '../../data/tracks/track.ts';
import EmptyTrack from './EmptyTrack.vue';
import FindBar from './FindBar.vue';
import CorrectionOffer from './CorrectionOffer.vue';
import PlacesDialog from './PlacesDialog.vue';
import TimeFirst from './TimeFirst.vue';
import SelectionBar from './SelectionBar.vue';
import SuggestionCard from './SuggestionCard.vue';
import { useDoubt } from './doubt.ts';
import { useFind } from './find.ts';
import { useCorrections } from '../../desk/suggestions/corrections.ts';
import WordsSurface from './WordsSurface.vue';
import KeyHint from '../../ui/commands/KeyHint.vue';
import TextButton from '../../ui/controls/TextButton.vue';

const track = useTrack();
const cursor = useCursor();
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
    <ChoiceButtons v-model="preferences.reading" label="How the words are read" :options="readings" />
    <TextButton :disabled="doubt.count === 0" tip="Next doubtful word, with suggestions" @click="doubt.next()">
      {{ doubt.count }} doubtful <KeyHint command="doubtful" />
    </TextButton>
    <TextButton :disabled="!findable" @click="goToFinding(1)"> Next finding <KeyHint command="finding" /> </TextButton>
    <span class="spacer"></span>
    <TextButton v-if="cursor.caption?.proofed" :disabled="!track.editable" @click="caption.unproof()">
      Proofed ✓, undo
    </TextButton>
    <TextButton
      v-else
      :disabled="!cursor.caption || !track.editable"
      tip="Proofed, and on to the next"
      @click="caption.proof()"
    >
      Proofed <KeyHint command="proof" />
    </TextButton>
    <TextButton class="words-find" tip="Find and replace" @click="find.start()">
      Find <KeyHint command="find" />
    </TextButton>
  </div>
  <NoteBox v-if="!track.editable">This is a machine draft: read-only, as the recogniser left it.</NoteBox>
  <TimeFirst />
  <FindBar v-if="find.open" />
  <EmptyTrack v-if="track.captions.length === 0" />
  <div v-else class="words-desk fills">
    <WordsSurface />
    <SuggestionCard />
    <SelectionBar />
    <CorrectionOffer v-if="!selection.places" />
    <PlacesDialog
      v-if="corrections.offer"
      v-model:open="corrections.choosing"
      :title="`Other places with “${corrections.offer.correction.was}”`"
      :places="corrections.offer.places"
      :replacement="corrections.offer.correction.now"
      :pattern="false"
      @done="corrections.correctIn($event)"
    />
  </div>
</template>

<style scoped>
.words-desk {
  position: relative;
}
@media (max-width: 900px) {
  .words-desk {
    flex: none;
    height: 400px;
  }
}
</style>
