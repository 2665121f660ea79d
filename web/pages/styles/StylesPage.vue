<script setup lang="ts">
import NoteBox from '../../ui/controls/NoteBox.vue';
import FileButton from '../../ui/controls/FileButton.vue';
import { computed, onMounted, shallowRef } from 'vue';
import type { HouseStyle } from '../../../core/style/style.ts';
import PageHeader from '../../ui/controls/PageHeader.vue';
import DeleteStyle from './DeleteStyle.vue';
import StyleTable from './StyleTable.vue';
import { useStyleEditor } from './use-style-editor.ts';
import TextButton from '../../ui/controls/TextButton.vue';

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
  <div class="styles fills">
    <PageHeader title="House styles" />
    <main class="fills">
      <div class="styles-bar row wide ruled">
        <p class="soft grow">
          What a client asks for. ▲ must be kept, △ should be kept. A job keeps its own copy, so a change here touches
          no finished work.
        </p>
        <FileButton main accept=".json,application/json" @file="editor.importFile($event)">
          Import a style file
        </FileButton>
      </div>
      <NoteBox v-if="said" class="styles-said" :tone="said.tone">
        <p>{{ said.text }}</p>
        <ul v-if="said.faults.length > 0">
          <li v-for="fault in said.faults" :key="fault">{{ fault }}</li>
        </ul>
        <template #actions>
          <TextButton v-if="!loaded" @click="editor.load()">Try again</TextButton>
          <TextButton v-else @click="said = null">Close</TextButton>
        </template>
      </NoteBox>
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
  height: 100%;
}
.styles-bar {
  padding: 10px 24px;
}
/* A table of many columns scrolls both ways at every width. */
.styles-scroll {
  flex: 1;
  min-height: 0;
  overflow: auto;
}
.styles-said {
  max-height: 40%;
  overflow-y: auto;
}
</style>
