<script setup lang="ts">
import { computed } from 'vue';
import { useCorrections } from './use-corrections.ts';
import KeyHint from '../commands/KeyHint.vue';

const mends = useCorrections();
const many = computed(() => mends.offer?.places.length ?? 0);
</script>

<template>
  <div v-if="mends.offer && !mends.choosing" class="foot-bar" role="status">
    <p>
      “<b>{{ mends.offer.mend.was }}</b
      >” stands in {{ many === 1 ? 'one other place' : `${many} other places` }}. Make it “<b>{{
        mends.offer.mend.now
      }}</b
      >” there too?
    </p>
    <button type="button" class="plain-button main" @click="mends.mendIn(mends.offer.places)">
      {{ many === 1 ? 'Mend it' : `Mend all ${many}` }} <KeyHint command="mend-same" />
    </button>
    <button type="button" class="plain-button" @click="mends.choosing = true">Choose…</button>
    <button type="button" class="plain-button" @click="mends.leave()">Leave them</button>
  </div>
</template>
