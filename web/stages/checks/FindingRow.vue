<script setup lang="ts">
import RowButton from '../../ui/controls/RowButton.vue';
import { computed, ref } from 'vue';
import type { Finding } from '../../../core/rules/finding.ts';
import type { Proposal } from '../../../core/rules/repairs/repairs.ts';
import type { Caption } from '../../../core/model/caption.ts';
import ComeBack from '../../desk/captions/ComeBack.vue';
import UntimedWays from '../../desk/captions/UntimedWays.vue';
import LetBe from '../../desk/findings/LetBe.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { useNumbers } from '../../data/tracks/use-numbers.ts';
import { useTimes } from '../../data/tracks/times.ts';

const times = useTimes();
const numberOf = useNumbers();
const props = defineProps<{ caption: Caption; finding: Finding; proposal: Proposal; here: boolean }>();
defineEmits<{ choose: []; edit: []; repair: []; letBe: [reason: string] }>();

/** Its actions come once it was pointed at or had the keyboard: a long list of them takes long to put up. */
const near = ref(false);

const number = computed(() => numberOf(props.caption.id));

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
  <li class="list-row before-after" :class="{ here }" @pointerenter="near = true" @focusin="near = true">
    <RowButton class="row-choose stack close" @click="$emit('choose')" @dblclick="$emit('edit')">
      <span class="figures small soft"
        >{{ times.clock(caption.start) }}<template v-if="number !== null"> · {{ number }}</template></span
      >
      <span class="row-text">
        <span class="block lines" dir="auto">{{ caption.text }}</span>
        <b class="small" :class="finding.severity">{{ finding.message }}</b>
      </span>
    </RowButton>
    <div class="row-after">
      <template v-if="after">
        <p v-for="(text, i) in after.texts" :key="i" class="lines row-new" dir="auto">{{ text }}</p>
        <p class="row-says good">→ {{ after.says }}</p>
      </template>
      <p v-else class="soft">{{ proposal.why }}</p>
      <div class="below row wrap">
        <template v-if="near || here">
          <TextButton v-if="after" @click="$emit('repair')">Repair</TextButton>
          <TextButton @click="$emit('edit')">Edit in Words</TextButton>
          <UntimedWays v-if="finding.rule === 'provisional'" />
          <ComeBack v-else-if="finding.rule === 'come-back'" :caption="caption" />
          <LetBe v-else @let-be="$emit('letBe', $event)" />
        </template>
      </div>
    </div>
  </li>
</template>

<style scoped>
.list-row {
  padding: 10px 12px 10px 0;
}
.row-choose {
  padding-left: 12px;
}
.row-new {
  padding-left: 10px;
  border-left: 2px solid var(--reed);
}
.row-new + .row-new {
  margin-top: 8px;
}
</style>
