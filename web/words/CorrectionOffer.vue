<script setup lang="ts">
import { computed } from 'vue';
import { useCorrections } from './use-corrections.ts';
import KeyHint from '../commands/KeyHint.vue';

const corrections = useCorrections();
const many = computed(() => corrections.offer?.places.length ?? 0);
</script>

<template>
  <div v-if="corrections.offer && !corrections.choosing" class="foot-bar" role="status">
    <p>
      “<b>{{ corrections.offer.correction.was }}</b
      >” stands in {{ many === 1 ? 'one other place' : `${many} other places` }}. Make it “<b>{{
        corrections.offer.correction.now
      }}</b
      >” there too?
    </p>
    <button type="button" class="plain-button main" @click="corrections.correctIn(corrections.offer.places)">
      {{ many === 1 ? 'Mend it' : `Mend all ${many}` }} <KeyHint command="mend-same" />
    </button>
    <button type="button" class="plain-button" @click="corrections.choosing = true">Choose…</button>
    <button type="button" class="plain-button" @click="corrections.leave()">Leave them</button>
  </div>
</template>
