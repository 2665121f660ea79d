<script setup lang="ts">
import FileButton from '../controls/FileButton.vue';
import { computed, onMounted, shallowRef } from 'vue';
import type { HouseStyle } from '../../core/style/style.ts';
import PageHeader from '../controls/PageHeader.vue';
import DeleteStyle from './DeleteStyle.vue';
import StyleTable from './StyleTable.vue';
import { useStyleEditor } from './use-style-editor.ts';
import TextButton from '../controls/TextButton.vue';

const editor = useStyleEditor();
const { styles, draft, said, loaded } = editor;
const leaving = shallowRef<HouseStyle | null>(null);
const others = computed(() => styles.all.filter((s) => s.id !== leaving.value?.id));

function remove(instead: string | null): void {
  if (leaving.value) void editor.remove(leaving.value, instead);
}
onMounted(() => {
  document.title = 'House styles · Fenwix';
  void editor.load();
});
</script>

<template>
  <div class="styles">
    <PageHeader title="House styles" />
    <main>
      <div class="styles-bar">
        <p class="soft">
          What a client asks for. ▲ must be kept, △ should be kept. A job keeps its own copy, so a change here touches
          no finished work.
        </p>
        <FileButton main accept=".json,application/json" @file="editor.importFile($event)">
          Import a style file
        </FileButton>
      </div>
      <div v-if="said" class="styles-said" :class="said.tone" :role="said.tone === 'bad' ? 'alert' : 'status'">
        <div>
          <p>{{ said.text }}</p>
          <ul v-if="said.faults.length > 0">
            <li v-for="fault in said.faults" :key="fault">{{ fault }}</li>
          </ul>
        </div>
        <TextButton v-if="!loaded" @click="editor.load()">Try again</TextButton>
        <TextButton v-else @click="said = null">Close</TextButton>
      </div>
      <div class="styles-scroll" tabindex="0" role="region" aria-label="All house styles">
        <StyleTable
          v-model:draft="draft"
          :styles="styles.all"
          :own="styles.own"
          :uses-of="editor.usesOf.value"
          @edit="editor.edit"
          @copy="editor.copy"
          @export="editor.exportFile"
          @remove="leaving = $event"
          @bring-up="editor.bringUp"
          @save="editor.save"
        />
      </div>
      <DeleteStyle
        v-model:leaving="leaving"
        :uses="leaving ? editor.usesOf.value(leaving.id) : []"
        :others="others"
        @remove="remove"
      />
    </main>
  </div>
</template>

<style scoped>
.styles {
  display: flex;
  flex-direction: column;
  height: 100%;
}
main {
  display: flex;
  flex: 1;
  flex-direction: column;
  min-height: 0;
}
.styles-bar {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 10px 24px;
  border-bottom: 1px solid var(--rule);
}
.styles-bar p {
  flex: 1;
}
.styles-said {
  display: flex;
  align-items: flex-start;
  justify-content: space-between;
  gap: 14px;
  max-height: 40%;
  padding: 8px 24px;
  border-left: 4px solid var(--reed);
  background: var(--reed-wash);
  overflow-y: auto;
}
.styles-said.bad {
  border-left-color: var(--alarm);
  background: var(--alarm-wash);
}
ul {
  margin: 4px 0 0;
  padding-left: 20px;
}
.styles-scroll {
  flex: 1;
  min-height: 0;
  padding-bottom: 24px;
  overflow: auto;
}
</style>
