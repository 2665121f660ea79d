<script setup lang="ts">
import { openWhile } from '../../ui/controls/open-while.ts';
import SelectField from '../../ui/controls/SelectField.vue';
import { ref, watch } from 'vue';
import type { HouseStyle } from '../../../core/style/style.ts';
import type { StyleUse } from '../../../core/job/job.ts';
import DialogSheet from '../../ui/controls/DialogSheet.vue';

const props = defineProps<{ uses: readonly StyleUse[]; others: readonly HouseStyle[] }>();
const emit = defineEmits<{ remove: [instead: string | null] }>();
/** The style to be deleted; null while none is. */
const style = defineModel<HouseStyle | null>('leaving', { required: true });
const instead = ref('');
const open = openWhile(style);
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
    ok-text="Delete"
    ok-type="danger"
    cancel-text="Cancel"
    @ok="remove"
  >
    <p v-if="uses.length === 0">No job uses it. Export it first if you may need it again.</p>
    <template v-else>
      <p>
        {{ uses.length === 1 ? 'One job uses it' : `${uses.length} jobs use it` }}:
        {{ uses.map((u) => u.job.title).join(', ') }}.
      </p>
      <div class="delete-instead">
        From now on {{ uses.length === 1 ? 'that job uses' : 'those jobs use' }}
        <SelectField
          v-model="instead"
          label="House style they use instead"
          :options="others.map((o) => ({ value: o.id, title: o.name }))"
          large
        />
      </div>
    </template>
  </DialogSheet>
</template>

<style scoped>
.delete-instead {
  margin-top: 10px;
}
</style>
