<script setup lang="ts">
import CheckField from '../../ui/controls/CheckField.vue';
import ProgressBar from '../../ui/controls/ProgressBar.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import type { Caption } from '../../../core/model/caption.ts';
import { usePlacedReflow } from './placed-reflow.ts';
import { usePlacing } from './placing.ts';

/** Begins and stops listening. */
defineProps<{ captions: readonly Caption[] }>();
const placing = usePlacing();
const placedReflow = usePlacedReflow();
</script>

<template>
  <div class="row wrap">
    <template v-if="placing.listening !== null">
      <span class="listening"><ProgressBar label="Listening" :share="placing.listening" /></span>
      <TextButton @click="placing.stop()">Stop</TextButton>
    </template>
    <template v-else>
      <TextButton
        :main="!placing.found"
        :disabled="placing.whyNot !== null || captions.length === 0"
        @click="placing.listen(captions)"
      >
        {{
          placing.found || placing.trouble
            ? 'Listen again'
            : captions.length === 1
              ? 'Listen for one caption'
              : `Listen for ${captions.length} captions`
        }}
      </TextButton>
      <TextButton v-if="placing.found" @click="placing.isShown = !placing.isShown">
        {{ placing.isShown ? 'Show the captions' : 'Show what was found' }}
      </TextButton>
      <CheckField v-if="placedReflow.isBare" v-model="placedReflow.wanted"
        >Lay the text out by when it is said</CheckField
      >
      <span v-if="placedReflow.isOn" class="small" :class="placedReflow.trouble ? 'bad' : 'soft'" role="status">
        {{
          placedReflow.trouble ??
          (placedReflow.laid ? `${placedReflow.laid.captions.length} captions in all` : 'Laying it out…')
        }}
      </span>
      <span v-if="placing.trouble" class="bad small" role="alert">{{ placing.trouble }}</span>
      <span v-else-if="placing.whyNot" class="soft small" role="status">{{ placing.whyNot }}</span>
      <span v-else-if="!placing.found" class="soft small">
        Captions that are late, drift, or were made for another cut go where their words are said.
      </span>
    </template>
  </div>
</template>

<style scoped>
.listening {
  flex: 1;
}
</style>
