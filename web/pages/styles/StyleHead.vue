<script setup lang="ts">
import MenuButton from '../../ui/controls/MenuButton.vue';
import { ChevronDown } from '@lucide/vue';
import type { HouseStyle } from '../../../core/style/style.ts';
import TextButton from '../../ui/controls/TextButton.vue';

defineProps<{ house: HouseStyle; own: boolean; busy: boolean }>();
const emit = defineEmits<{ edit: []; copy: []; export: []; remove: [] }>();
const copy = { key: 'copy', title: 'Copy' };
const exported = { key: 'export', title: 'Export as a file' };
const deleted = { key: 'delete', title: 'Delete…', apart: true };
function onMore(key: string): void {
  if (key === 'copy') emit('copy');
  else if (key === 'export') emit('export');
  else emit('remove');
}
</script>

<template>
  <div class="stack close" :data-style="house.id">
    <b class="large">{{ house.name }}</b>
    <span class="fine-print plain soft">{{ own ? `made here, version ${house.version}` : 'came with Fenwix' }}</span>
    <span class="row">
      <TextButton v-if="own" :disabled="busy" @click="$emit('edit')">Edit</TextButton>
      <TextButton v-else :disabled="busy" @click="$emit('copy')">Copy</TextButton>
      <MenuButton
        :label="`More for ${house.name}`"
        :entries="own ? [copy, exported, deleted] : [exported]"
        @select="onMore"
      >
        More <ChevronDown :size="13" aria-hidden="true" />
      </MenuButton>
    </span>
  </div>
</template>
