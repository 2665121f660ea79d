<script setup lang="ts">
import { computed } from 'vue';
import { useCorrections } from '../../desk/suggestions/corrections.ts';
import KeyHint from '../../ui/commands/KeyHint.vue';
import TextButton from '../../ui/controls/TextButton.vue';

const corrections = useCorrections();
const many = computed(() => corrections.offer?.places.length ?? 0);
</script>

<template>
  <div v-if="corrections.offer && !corrections.choosing" class="foot-bar floating" role="status">
    <p class="grow">
      “<b>{{ corrections.offer.correction.was }}</b
      >” also occurs in {{ many === 1 ? 'one other place' : `${many} other places` }}. Change
      {{ many === 1 ? 'it' : 'those' }} to “<b>{{ corrections.offer.correction.now }}</b
      >”?
    </p>
    <TextButton main @click="corrections.correctIn(corrections.offer.places)">
      {{ many === 1 ? 'Change it' : `Change all ${many}` }} <KeyHint command="mend-same" />
    </TextButton>
    <TextButton @click="corrections.choosing = true">Choose…</TextButton>
    <TextButton @click="corrections.leave()">Skip</TextButton>
  </div>
</template>
