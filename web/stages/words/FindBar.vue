<script setup lang="ts">
import TextField from '../../ui/controls/TextField.vue';
import { computed, nextTick, onMounted, useTemplateRef, watch } from 'vue';
import { useTrack } from '../../data/tracks/track.ts';
import PlacesDialog from './PlacesDialog.vue';
import { useFind } from './find.ts';
import TextButton from '../../ui/controls/TextButton.vue';

const find = useFind();
const track = useTrack();
const input = useTemplateRef<InstanceType<typeof TextField>>('input');

const text = computed({ get: () => find.query.text, set: (now) => (find.query = { ...find.query, text: now }) });
const options = [
  ['matchCase', 'Case', 'Capitals have to match'],
  ['wholeWords', 'Whole words', 'Parts of longer words do not count'],
  ['pattern', 'Pattern', 'A pattern, as in: gate (\\d+). In its replacement $1 is the first part'],
] as const;
const toggle = (name: (typeof options)[number][0]): void => {
  find.query = { ...find.query, [name]: !find.query[name] };
};
const standing = computed(() => {
  const many = find.places.length;
  if (find.fault) return find.fault;
  if (find.query.text === '') return '';
  if (many === 0) return find.looking ? 'Looking…' : 'Nothing found';
  const all = `${String(many)}${find.looking ? '…' : ''}`;
  return find.now >= 0 ? `${String(find.now + 1)} of ${all}` : `${all} found`;
});
const focus = (): void => {
  void nextTick(() => {
    input.value?.focus();
    input.value?.select();
  });
};
onMounted(focus);
watch(() => find.open, focus);
function onKey(event: KeyboardEvent): void {
  if (event.isComposing) return;
  if (event.key === 'Escape') find.close();
  else if (event.key === 'Enter') void find.go(event.shiftKey ? -1 : 1);
  else return;
  event.preventDefault();
  event.stopPropagation();
}
</script>

<template>
  <search class="find stack sheet ruled" aria-label="Find and replace">
    <div class="row wrap">
      <label class="visually-hidden" for="find-text">Find</label>
      <TextField
        id="find-text"
        ref="input"
        v-model="text"
        small
        class="find-input"
        placeholder="Find"
        autocomplete="off"
        spellcheck="false"
        dir="auto"
        :invalid="find.fault !== null"
        aria-describedby="find-standing"
        @keydown="onKey"
      />
      <TextButton
        v-for="[name, label, hint] in options"
        :key="name"
        :tip="hint"
        :pressed="find.query[name]"
        @click="toggle(name)"
      >
        {{ label }}{{ find.query[name] ? ' ✓' : '' }}
      </TextButton>
      <p id="find-standing" class="find-standing small" :class="find.fault ? 'bad' : 'soft'" role="status">
        {{ standing }}<template v-if="find.within"> in the {{ find.within.size }} selected captions</template>
      </p>
      <TextButton tip="Escape" @click="find.close()">Close</TextButton>
    </div>
    <div class="row wrap">
      <label class="visually-hidden" for="find-by">Replace with</label>
      <TextField
        id="find-by"
        v-model="find.replacement"
        small
        class="find-input"
        placeholder="Replace with"
        autocomplete="off"
        dir="auto"
        @keydown="onKey"
      />
      <TextButton :disabled="find.places.length === 0" @click="find.go(-1)"> Previous </TextButton>
      <TextButton :disabled="find.places.length === 0" @click="find.go(1)"> Next <kbd>↵</kbd> </TextButton>
      <TextButton :disabled="find.places.length === 0 || !track.editable" @click="find.replaceOne()">
        Replace
      </TextButton>
      <TextButton
        :disabled="find.places.length === 0 || find.looking || !track.editable"
        @click="find.reviewing = true"
      >
        Replace all…
      </TextButton>
    </div>
    <PlacesDialog
      v-model:open="find.reviewing"
      title="Replace all"
      :places="find.places"
      :replacement="find.replacement"
      :pattern="find.query.pattern"
      @done="find.replaceMany($event)"
    />
  </search>
</template>

<style scoped>
.find {
  gap: 6px;
  padding: 8px 14px;
}
.find-input {
  width: 260px;
}
.find-standing {
  flex: 1 1 120px;
  padding-inline: 6px;
}
</style>
