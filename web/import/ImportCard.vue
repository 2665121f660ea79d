<script setup lang="ts">
import { computed, useId } from 'vue';
import { encodings, type FoundBy } from '../../core/formats/encoding.ts';
import { formatNamed, formats } from '../../core/formats/registry.ts';
import { lengthInWords, marginClock } from '../../core/time/clock.ts';
import { languageName } from '../describe/jobs.ts';
import { mendedKinds, onLines } from './warnings.ts';
import type { Import } from './use-import.ts';

const props = defineProps<{ arrival: Import }>();
const id = useId();
const { name, understood, trouble, reading, encoding, from, rescue, unroll } = props.arrival;

const kinds = computed(() => mendedKinds(understood.value?.warnings ?? []));
const lost = computed(() => kinds.value.some((k) => k.lost));
const summary = computed(() => {
  const file = understood.value;
  if (!file) return '';
  const count = file.captions.length;
  const last = file.captions.reduce((end, c) => Math.max(end, c.end), 0);
  return [
    `${String(count)} ${count === 1 ? 'caption' : 'captions'}`,
    file.captions.some((c) => c.timing === 'provisional') ? 'times still to be found' : lengthInWords(last),
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
  guess: 'guessed from the letters: change it if they look wrong',
  told: 'as you chose',
};
const habits = {
  rolling: 'each repeats the last line of the one before',
  growing: 'each repeats the one before and adds to it',
  'word by word': 'each holds a word or two',
} as const;
const first = computed(() => understood.value?.captions.slice(0, 4) ?? []);
</script>

<template>
  <div class="arrival" aria-live="polite">
    <p v-if="reading" class="soft">Reading {{ name }}…</p>
    <p v-if="trouble" class="arrival-trouble" role="alert">{{ trouble }}</p>
    <template v-if="understood">
      <p class="arrival-name">
        <b>{{ name }}</b> <span class="soft">{{ summary }}</span>
      </p>
      <slot></slot>
    </template>
    <div v-if="understood || trouble" class="arrival-ways">
      <label :for="`${id}-format`">Read as</label>
      <span>
        <select :id="`${id}-format`" v-model="from" class="plain-button">
          <option value="">
            {{ understood && from === '' ? formatNamed(understood.format)?.title : 'whatever it looks like' }}
          </option>
          <option v-for="f in formats" :key="f.name" :value="f.name">{{ f.title }}</option>
        </select>
        <span v-if="understood && from === ''" class="soft">by what it contains</span>
      </span>
      <label :for="`${id}-encoding`">Letters</label>
      <span>
        <select :id="`${id}-encoding`" v-model="encoding" class="plain-button">
          <option value="">
            {{
              understood && encoding === ''
                ? (encodings.find((e) => e.name === understood?.encoding)?.title ?? understood.encoding)
                : 'find out'
            }}
          </option>
          <option v-for="e in encodings" :key="e.name" :value="e.name">{{ e.title }}</option>
        </select>
        <span v-if="understood && understood.encodingBy !== 'told'" class="soft">{{
          foundBy[understood.encodingBy]
        }}</span>
      </span>
      <template v-if="understood?.rolling">
        <span>Rolling</span>
        <label class="arrival-choice">
          <input v-model="unroll" type="checkbox" />
          <span
            >Unroll them, so that each word stands once.
            <span class="soft"
              >{{ understood.rolling.shown }} of {{ understood.rolling.captions }} captions are
              {{ understood.rolling.habit }}: {{ habits[understood.rolling.habit] }}.</span
            ></span
          >
        </label>
      </template>
      <template v-if="lost || rescue || trouble">
        <span>Rescue</span>
        <label class="arrival-choice">
          <input v-model="rescue" type="checkbox" />
          <span>Take in what the rules of the format leave out.</span>
        </label>
      </template>
    </div>
    <template v-if="understood">
      <ol class="arrival-first" aria-label="The first captions">
        <li v-for="(c, i) in first" :key="i">
          <span class="figures soft">{{ c.timing === 'set' ? marginClock(c.start) : 'not placed' }}</span>
          <span dir="auto" class="arrival-text">{{ c.text }}</span>
        </li>
      </ol>
      <p v-if="kinds.length === 0" class="soft">Nothing had to be mended.</p>
      <details v-else :open="lost || kinds.length <= 3">
        <summary>
          {{
            understood.warnings.length === 1
              ? '1 thing was not as it should be'
              : `${understood.warnings.length} things were not as they should be`
          }}
        </summary>
        <ul>
          <li v-for="kind in kinds" :key="kind.message">
            <span v-if="kind.lost" class="arrival-lost">▲ Left out</span>
            {{ kind.message }} <span class="soft">{{ onLines(kind) }}</span>
          </li>
        </ul>
      </details>
    </template>
  </div>
</template>

<style scoped>
.arrival {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.arrival-trouble {
  color: var(--alarm);
}
.arrival-name {
  font-size: 16px;
}
.arrival-ways {
  display: grid;
  grid-template-columns: 72px minmax(0, 1fr);
  gap: 6px 12px;
  align-items: baseline;
}
.arrival-ways > span,
.arrival-choice {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 8px;
}
.arrival-choice {
  flex-wrap: nowrap;
}
.arrival-choice input {
  accent-color: var(--reed);
}
.arrival-first {
  margin: 0;
  padding: 8px 14px;
  border: 1px solid var(--rule);
  background: var(--sheet);
  list-style: none;
}
.arrival-first li {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  align-items: baseline;
  padding: 3px 0;
}
.arrival-text {
  white-space: pre-line;
  overflow-wrap: anywhere;
}
summary {
  cursor: pointer;
}
details ul {
  margin: 6px 0 0;
  padding-left: 20px;
}
.arrival-lost {
  color: var(--alarm);
  font-weight: 600;
}
</style>
