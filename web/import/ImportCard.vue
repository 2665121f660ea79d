<script setup lang="ts">
import FoldPanel from '../ui/controls/FoldPanel.vue';
import CheckField from '../ui/controls/CheckField.vue';
import SelectField from '../ui/controls/SelectField.vue';
import { computed } from 'vue';
import { encodings, type FoundBy } from '../../core/formats/encoding.ts';
import { formatNamed, formats } from '../../core/formats/registry.ts';
import { clockFor, lengthInWords } from '../../core/timing/clock/clock.ts';
import { languageName } from '../ui/describe/jobs.ts';
import { warningKinds, onLines } from './warnings.ts';
import type { Import } from './use-import.ts';

const props = defineProps<{ file: Import }>();
const { name, understood, trouble, reading, encoding, from, rescue, unroll } = props.file;

const kinds = computed(() => warningKinds(understood.value?.warnings ?? []));
const lost = computed(() => kinds.value.some((k) => k.lost));
const summary = computed(() => {
  const file = understood.value;
  if (!file) return '';
  const count = file.captions.length;
  const last = file.captions.reduce((end, c) => Math.max(end, c.end), 0);
  return [
    `${String(count)} ${count === 1 ? 'caption' : 'captions'}`,
    file.captions.some((c) => c.timing === 'provisional') ? 'not timed' : lengthInWords(last),
    file.captions.some((c) => c.words.length > 0) ? 'with word times' : '',
    file.language ? languageName(file.language) : '',
  ]
    .filter(Boolean)
    .join(' · ');
});
const foundBy: Readonly<Record<FoundBy, string>> = {
  mark: 'by the mark it begins with',
  'utf-8': '',
  zeros: 'by its zero bytes',
  guess: 'guessed: change it if the text looks wrong',
  told: 'as you chose',
};
const habits = {
  rolling: 'each repeats the last line of the one before',
  growing: 'each repeats the one before and adds to it',
  'word by word': 'each holds a word or two',
} as const;
const formatChoices = computed(() => {
  const file = understood.value;
  const found = file && from.value === '' ? formatNamed(file.format)?.title : undefined;
  return [
    { value: '', title: found ?? 'Detect automatically' },
    ...formats.map((f) => ({ value: f.name, title: f.title })),
  ];
});
const encodingChoices = computed(() => {
  const file = understood.value;
  const found = file && encoding.value === '' ? file.encoding : undefined;
  return [
    {
      value: '',
      title: found === undefined ? 'Detect automatically' : (encodings.find((e) => e.name === found)?.title ?? found),
    },
    ...encodings.map((e) => ({ value: e.name, title: e.title })),
  ];
});
const problems = computed(() => {
  const many = understood.value?.warnings.length ?? 0;
  return many === 1 ? '1 problem fixed while reading' : `${String(many)} problems fixed while reading`;
});
const first = computed(() => understood.value?.captions.slice(0, 4) ?? []);
const clock = computed(() => clockFor(understood.value?.captions.at(-1)?.end ?? 0));
</script>

<template>
  <div class="import-card stack" aria-live="polite">
    <p v-if="reading" class="soft">Reading {{ name }}…</p>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <template v-if="understood">
      <p class="large lines">
        <b>{{ name }}</b> <span class="soft">{{ summary }}</span>
      </p>
      <slot></slot>
    </template>
    <div v-if="understood || trouble" class="import-ways">
      <span aria-hidden="true">Format</span>
      <span>
        <SelectField v-model="from" label="Format" :options="formatChoices" :width="220" />
        <span v-if="understood && from === ''" class="soft">from what it contains</span>
      </span>
      <span aria-hidden="true">Encoding</span>
      <span>
        <SelectField v-model="encoding" label="Encoding" :options="encodingChoices" :width="220" />
        <span v-if="understood && understood.encodingBy !== 'told'" class="soft">{{
          foundBy[understood.encodingBy]
        }}</span>
      </span>
      <template v-if="understood?.rolling">
        <span>Rolling</span>
        <CheckField v-model="unroll"
          >Show each word once.
          <span class="soft"
            >{{ understood.rolling.shown }} of {{ understood.rolling.captions }} captions are
            {{ understood.rolling.habit }}: {{ habits[understood.rolling.habit] }}.</span
          ></CheckField
        >
      </template>
      <template v-if="lost || rescue || trouble">
        <span>Recovery</span>
        <CheckField v-model="rescue">Recover skipped cues: read what the rules of the format leave out.</CheckField>
      </template>
    </div>
    <template v-if="understood">
      <ol class="import-first plain-list floating" aria-label="The first captions">
        <li v-for="(c, i) in first" :key="i" class="time-and-text">
          <span class="figures soft">{{ c.timing === 'set' ? clock(c.start) : 'not timed' }}</span>
          <span dir="auto" class="lines">{{ c.text }}</span>
        </li>
      </ol>
      <p v-if="kinds.length === 0" class="soft">No problems were found while reading.</p>
      <FoldPanel v-else :title="problems" :open="lost || kinds.length <= 3">
        <ul>
          <li v-for="kind in kinds" :key="kind.message">
            <span v-if="kind.lost" class="bad strong">▲ Skipped</span>
            {{ kind.message }} <span class="soft">{{ onLines(kind) }}</span>
          </li>
        </ul>
      </FoldPanel>
    </template>
  </div>
</template>

<style scoped>
.import-ways {
  display: grid;
  grid-template-columns: 72px minmax(0, 1fr);
  gap: 6px 12px;
  align-items: baseline;
}
.import-ways > span {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 8px;
}
.import-first {
  padding: 8px 14px;
  border-color: var(--rule);
  box-shadow: none;
}
</style>
