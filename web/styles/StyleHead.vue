<script setup lang="ts">
import Dropdown from 'ant-design-vue/es/dropdown';
import Menu, { MenuItem } from 'ant-design-vue/es/menu';
import { ChevronDown } from '@lucide/vue';
import type { HouseStyle } from '../../core/style/style.ts';

defineProps<{ house: HouseStyle; own: boolean; busy: boolean }>();
defineEmits<{ edit: []; copy: []; export: []; remove: [] }>();
</script>

<template>
  <div class="style-head">
    <b>{{ house.name }}</b>
    <span class="soft">{{ own ? `made here, version ${house.version}` : 'came with Fenwix' }}</span>
    <span class="style-actions">
      <button v-if="own" type="button" class="plain-button" :disabled="busy" @click="$emit('edit')">Edit</button>
      <button v-else type="button" class="plain-button" :disabled="busy" @click="$emit('copy')">Copy</button>
      <Dropdown :trigger="['click']">
        <button type="button" class="plain-button" aria-haspopup="menu" :aria-label="`More for ${house.name}`">
          More <ChevronDown :size="13" aria-hidden="true" />
        </button>
        <template #overlay>
          <Menu>
            <MenuItem v-if="own" key="copy" @click="$emit('copy')">Copy</MenuItem>
            <MenuItem key="export" @click="$emit('export')">Export as a file</MenuItem>
            <MenuItem v-if="own" key="delete" @click="$emit('remove')">Delete…</MenuItem>
          </Menu>
        </template>
      </Dropdown>
    </span>
  </div>
</template>

<style scoped>
.style-head {
  display: flex;
  flex-direction: column;
  gap: 1px;
}
b {
  font-size: 16px;
}
.soft {
  font-size: 13px;
  font-weight: 400;
}
.style-actions {
  display: flex;
  gap: 6px;
  margin-top: 6px;
}
</style>
