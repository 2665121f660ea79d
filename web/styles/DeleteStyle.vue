<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { HouseStyle } from '../../core/style/style.ts';
import type { StyleUse } from '../../core/job/job.ts';
import DialogSheet from '../controls/DialogSheet.vue';

const props = defineProps<{ uses: readonly StyleUse[]; others: readonly HouseStyle[] }>();
const emit = defineEmits<{ remove: [instead: string | null] }>();
/** The style to be deleted; null while none is. */
const style = defineModel<HouseStyle | null>('leaving', { required: true });
const instead = ref('');
const open = computed({
  get: () => style.value !== null,
  set: (now) => {
    if (!now) style.value = null;
  },
});
watch(style, () => (instead.value = props.others[0]?.id ?? ''));
function remove(): void {
  emit('remove', props.uses.length > 0 ? instead.value : null);
  open.value = false;
}
</script>

<template>
  <DialogSheet
    v-model:open="open"
    :title="`Delete “${style?.name ?? ''}”?`"
    ok-text="Delete it"
    ok-type="danger"
    cancel-text="Keep it"
    @ok="remove"
  >
    <p v-if="uses.length === 0">No job uses it. Export it first if it may be wanted again.</p>
    <template v-else>
      <p>
        {{ uses.length === 1 ? 'One job uses it' : `${uses.length} jobs use it` }}:
        {{ uses.map((u) => u.job.title).join(', ') }}.
      </p>
      <label class="delete-instead"
        >From now on {{ uses.length === 1 ? 'that job uses' : 'those jobs use' }}
        <select v-model="instead" class="plain-button">
          <option v-for="other in others" :key="other.id" :value="other.id">{{ other.name }}</option>
        </select></label
      >
    </template>
  </DialogSheet>
</template>

<style scoped>
.delete-instead {
  display: block;
  margin-top: 10px;
}
</style>
