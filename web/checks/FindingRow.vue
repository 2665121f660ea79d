<script setup lang="ts">
import RowButton from '../controls/RowButton.vue';
import { computed, ref } from 'vue';
import type { Finding } from '../../core/rules/finding.ts';
import type { Proposal } from '../../core/rules/repairs/repairs.ts';
import { marginClock } from '../../core/time/clock.ts';
import type { Caption } from '../../core/track/caption.ts';
import LetBe from './LetBe.vue';
import TextButton from '../controls/TextButton.vue';

const props = defineProps<{ caption: Caption; finding: Finding; proposal: Proposal; here: boolean }>();
defineEmits<{ choose: []; edit: []; repair: []; letBe: [reason: string] }>();

/** Its actions come once it was pointed at or had the keyboard: a long list of them takes long to put up. */
const near = ref(false);

/** What the repair would make of it: other words or lines, or what it does to the times. */
const after = computed(() => {
  const { repair } = props.proposal;
  if (!repair) return null;
  const texts = repair.after.map((c) => c.text);
  const same = texts.length === 1 && texts[0] === props.caption.text;
  return { says: repair.says, texts: same ? [] : texts };
});
</script>

<template>
  <li :class="{ here }" @pointerenter="near = true" @focusin="near = true">
    <RowButton class="row-choose" @click="$emit('choose')" @dblclick="$emit('edit')">
      <span class="figures row-time">{{ marginClock(caption.start) }}</span>
      <span class="row-text">
        <span class="row-caption" dir="auto">{{ caption.text }}</span>
        <b :class="finding.severity">{{ finding.message }}</b>
      </span>
    </RowButton>
    <div class="row-after">
      <template v-if="after">
        <p v-for="(text, i) in after.texts" :key="i" class="row-caption row-new" dir="auto">{{ text }}</p>
        <p class="row-says">→ {{ after.says }}</p>
      </template>
      <p v-else class="soft">{{ proposal.why }}</p>
      <div class="row-actions">
        <template v-if="near || here">
          <TextButton v-if="after" @click="$emit('repair')">Repair</TextButton>
          <TextButton @click="$emit('edit')">Edit in Words</TextButton>
          <LetBe @let-be="$emit('letBe', $event)" />
        </template>
      </div>
    </div>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 16px;
  padding: 10px 12px 10px 0;
  border-bottom: 1px solid var(--rule);
}
li.here {
  background: var(--sheet);
  box-shadow: inset 3px 0 0 var(--ink);
}
.row-choose {
  display: flex;
  flex-direction: column;
  min-width: 0;
  padding: 0 0 0 12px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.row-time {
  font-size: 14px;
  color: var(--soft);
}
.row-caption {
  display: block;
  font-size: 15px;
  white-space: pre-line;
}
.row-new {
  padding-left: 10px;
  border-left: 2px solid var(--reed);
}
.row-new + .row-new {
  margin-top: 8px;
}
.row-says {
  color: var(--reed);
}
b {
  font-size: 14px;
}
b.must {
  color: var(--alarm);
}
b.should {
  color: var(--sun-text);
}
.row-actions {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 6px;
}
</style>
