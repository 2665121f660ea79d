<script setup lang="ts">
import Collapse, { CollapsePanel } from 'ant-design-vue/es/collapse';

/** Something that is folded away behind its title. Ant's hears Enter alone; Space opens it here too. */
const props = defineProps<{ title: string; open?: boolean }>();
const first = props.open ? ['panel'] : [];
function onKey(event: KeyboardEvent): void {
  const head = event.target as HTMLElement;
  if (event.key !== ' ' || !head.classList.contains('ant-collapse-header')) return;
  event.preventDefault();
  head.click();
}
</script>

<template>
  <div @keydown="onKey">
    <Collapse ghost :default-active-key="first">
      <CollapsePanel key="panel" :header="title"><slot></slot></CollapsePanel>
    </Collapse>
  </div>
</template>
