<script setup lang="ts">
import { X } from '@lucide/vue';
import { computed, ref } from 'vue';
import { seconds } from '../../../core/timing/clock/clock.ts';
import KeyHint from '../../ui/commands/KeyHint.vue';
import IconButton from '../../ui/controls/IconButton.vue';
import TextField from '../../ui/controls/TextField.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useTies } from './ties.ts';

/** The ties that were set: each a caption and the moment it belongs at. */
const ties = useTies();
const track = useTrack();
const cursor = useCursor();
const times = useTimes();
const rows = computed(() =>
  ties.ties.map(({ id, at, to }, i) => ({
    id,
    nth: track.captions.findIndex((c) => c.id === id) + 1,
    from: times.clock(at),
    to: times.clock(to),
    by: `${seconds(Math.abs(to - at))} ${to < at ? 'earlier' : 'later'}`,
    off: ties.off[i] ?? 0,
  })),
);
/** The time that is being typed, taken when it is left or Enter is pressed. */
const typed = ref<{ readonly id: string; readonly text: string } | null>(null);
const fault = ref<string | null>(null);
function take(): void {
  if (!typed.value) return;
  fault.value = ties.retie(typed.value.id, typed.value.text);
  if (fault.value === null) typed.value = null;
}
</script>

<template>
  <div class="stack close">
    <ul v-if="rows.length > 0" class="plain-list tie-list" aria-label="Ties">
      <li v-for="row in rows" :key="row.id" class="row">
        <span>Caption {{ row.nth }}</span>
        <span class="figures small">{{ row.from }} →</span>
        <TextField
          :model-value="typed?.id === row.id ? typed.text : row.to"
          small
          class="tie-to figures"
          autocomplete="off"
          :label="`Where caption ${row.nth} belongs`"
          :invalid="typed?.id === row.id && fault !== null"
          @update:model-value="(text: string) => (typed = { id: row.id, text })"
          @keydown.enter.prevent="take()"
          @blur="take()"
        />
        <span class="soft small">
          {{ row.by }}<template v-if="rows.length > 2">, {{ seconds(Math.abs(row.off)) }} from one line</template>
        </span>
        <IconButton :name="`Untie caption ${row.nth}`" @click="ties.untie(row.id)">
          <X :size="13" aria-hidden="true" />
        </IconButton>
      </li>
    </ul>
    <div class="row wrap">
      <TextButton
        :disabled="!cursor.caption || !track.editable"
        @click="cursor.caption && ties.tieHere(cursor.caption)"
      >
        Caption {{ cursor.index + 1 }} belongs at the playhead <KeyHint command="tie-here" />
      </TextButton>
      <template v-if="ties.toHear.length > 0">
        <TextButton @click="ties.skip()">Skip it</TextButton>
        <span class="small" role="status">
          Press at its first word; {{ ties.toHear.length === 1 ? 'the last one' : `${ties.toHear.length} to go` }}.
        </span>
      </template>
      <TextButton
        v-else-if="ties.halfway"
        tip="The ties disagree: what is between them tells where it begins"
        @click="ties.hearHalfway()"
      >
        Hear halfway
      </TextButton>
      <TextButton v-else tip="Five captions are played in turn: tie each at its first word" @click="ties.hearFive()">
        By ear
      </TextButton>
      <span v-if="ties.toHear.length === 0" class="soft small"
        >One tie moves all by as much; two, far apart, put a drift right.</span
      >
    </div>
    <p v-if="fault" class="small bad" role="alert">{{ fault }}</p>
    <p v-if="ties.mistake" class="small" role="status">
      This is what {{ ties.mistake.from }} fps taken for {{ ties.mistake.to }} looks like.
    </p>
  </div>
</template>

<style scoped>
.tie-to {
  width: 106px;
}
.tie-list {
  max-height: 120px;
  overflow-y: auto;
}
</style>
