<script setup lang="ts">
import { ref } from 'vue';
import CheckField from '../controls/CheckField.vue';
import ChoiceButtons from '../controls/ChoiceButtons.vue';
import ChoiceCards from '../controls/ChoiceCards.vue';
import DataTable from '../controls/DataTable.vue';
import DialogSheet from '../controls/DialogSheet.vue';
import EmptyPage from '../controls/EmptyPage.vue';
import FileButton from '../controls/FileButton.vue';
import FormField from '../controls/FormField.vue';
import FoldPanel from '../controls/FoldPanel.vue';
import IconButton from '../controls/IconButton.vue';
import LinkButton from '../controls/LinkButton.vue';
import MenuButton from '../controls/MenuButton.vue';
import NoteBox from '../controls/NoteBox.vue';
import NumberField from '../controls/NumberField.vue';
import ProgressBar from '../controls/ProgressBar.vue';
import RowButton from '../controls/RowButton.vue';
import SelectField from '../controls/SelectField.vue';
import SuggestField from '../controls/SuggestField.vue';
import TextButton from '../controls/TextButton.vue';
import TextField from '../controls/TextField.vue';
import ThemedPage from '../controls/ThemedPage.vue';
import type { Theme } from '../theme/choice.ts';
import { useFaults } from '../controls/use-faults.ts';

/** Every control, open and closed, for the browser tests of `controls`; in the theme its address asks for. */
const theme = ref<Theme>(new URLSearchParams(location.search).get('theme') === 'dark' ? 'dark' : 'light');
const said = ref('nothing yet');
const pressed = ref(false);
const gate = ref('lower');
const reading = ref<'lines' | 'text'>('lines');
const card = ref<'srt' | 'vtt'>('srt');
const lock = ref<string | null>('Lock 7');
const ticked = ref(false);
const figure = ref<number | null>(7);
const open = ref(false);
const boat = ref('');
const speaker = ref('');
const keepers = Array.from({ length: 300 }, (_, i) => `Keeper ${String(i)}`);
const faults = useFaults(() => ({ boat: boat.value === '' ? 'Name the boat.' : null }), '.boat-form');
function send(): void {
  if (faults.isSound()) said.value = boat.value;
}
const locks = Array.from({ length: 1000 }, (_, i) => ({ value: `Lock ${String(i)}`, title: `Lock ${String(i)}` }));
const gates = [
  { value: 'lower', title: 'Lower gate' },
  { value: 'upper', title: 'Upper gate' },
] as const;
const cards = [
  { value: 'srt', title: 'SRT' },
  { value: 'vtt', title: 'WebVTT' },
] as const;
const readings = [
  ['lines', 'Line by line'],
  ['text', 'Running text'],
] as const;
const entries = [
  { key: 'copy', title: 'Copy', detail: 'Ctrl C' },
  { key: 'export', title: 'Export as a file' },
  { key: 'gone', title: 'Not now', disabled: true },
  { key: 'delete', title: 'Delete…', apart: true },
];
const columns = [
  { key: 'name', title: 'Gate' },
  { key: 'count', title: 'Boats', figures: true },
];
const rows = [
  { name: 'Lower', count: 7 },
  { name: 'Upper', count: 12 },
];
const long = 'A title without any space '.replaceAll(' ', '').repeat(8);
</script>

<template>
  <ThemedPage v-model="theme">
    <main class="page stack wide">
      <h1>Controls</h1>
      <p id="said" role="status">{{ said }}</p>
      <p>
        <TextButton main @click="said = 'main'">Main action</TextButton>
        <TextButton tip="What it does" @click="said = 'plain'">Plain</TextButton>
        <TextButton :pressed="pressed" @click="pressed = !pressed">Stays down</TextButton>
        <TextButton danger>Delete</TextButton>
        <TextButton disabled>Not now</TextButton>
        <IconButton name="Replay" keys="Ctrl '" @click="said = 'replay'">↻</IconButton>
        <LinkButton :to="{ name: 'jobs' }">All jobs</LinkButton>
        <FileButton @file="said = $event.name">Import a file</FileButton>
        <MenuButton label="More for Lock 7" :entries="entries" selected="export" @select="said = $event"
          >More</MenuButton
        >
      </p>
      <p>
        <SelectField v-model="gate" label="Gate" :options="gates" large />
        <SelectField v-model="lock" label="Lock" :options="locks" :width="160" />
        <TextField v-model="said" label="What is said" class="narrow" />
        <NumberField v-model="figure" label="Boats" :min="0" :max="99" />
        <CheckField v-model="ticked">Water is falling</CheckField>
      </p>
      <form class="boat-form" @submit.prevent="send">
        <FormField v-slot="{ field }" label="Boat" :fault="faults.beside('boat')" required>
          <TextField v-bind="field" v-model="boat" />
        </FormField>
        <FormField v-slot="{ field }" label="Who speaks" hint="Anybody who was named before, or another.">
          <SuggestField v-bind="field" v-model="speaker" label="Who speaks" :options="keepers" />
        </FormField>
        <FormField v-slot="{ field }" label="Gate it is at">
          <SelectField :id="field.id" v-model="gate" label="Gate it is at" :options="gates" large />
        </FormField>
        <TextButton submit>Send the boat</TextButton>
      </form>
      <ChoiceButtons v-model="reading" label="Reading" :options="readings" />
      <ChoiceCards v-model="card" label="Format" :options="cards" />
      <FoldPanel title="2 problems fixed while reading"><p>The time was negative.</p></FoldPanel>
      <DataTable :columns="columns" :rows="rows" :key-of="(row) => row.name">
        <template #name="{ row }">{{ row.name }}</template>
        <template #count="{ row }">{{ row.count }}</template>
      </DataTable>
      <ProgressBar label="Filling the chamber" :share="0.4" />
      <NoteBox>The draft is read-only.</NoteBox>
      <NoteBox tone="good">3 repairs made.</NoteBox>
      <NoteBox tone="bad">
        It could not be sent.
        <template #actions><TextButton>Send again</TextButton></template>
      </NoteBox>
      <EmptyPage title="No boats yet">
        A boat is one that waits at a gate.
        <template #actions><TextButton main>New boat</TextButton></template>
      </EmptyPage>
      <RowButton @click="said = 'row'">A whole row</RowButton>
      <p class="narrow" dir="rtl">{{ long }}</p>
      <TextButton @click="open = true">Open the dialog</TextButton>
      <DialogSheet v-model:open="open" title="A dialog" :footer="null">
        <SelectField v-model="gate" label="Gate in the dialog" :options="gates" large />
      </DialogSheet>
    </main>
  </ThemedPage>
</template>

<style scoped>
.page {
  padding: 16px;
}
.page > p {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.narrow {
  width: 220px;
  overflow-wrap: anywhere;
}
</style>
