<script setup lang="ts">
import { Pause, Play } from '@lucide/vue';
import { monitorClock } from '../../core/time/clock.ts';
import { useCommandList } from '../commands/command-list.ts';
import { useJob } from '../stores/job.ts';
import { usePlace } from '../stores/place.ts';
import { rates, usePlayback } from '../playback/playback.ts';
import { usePreferences } from '../stores/preferences.ts';

const job = useJob();
const place = usePlace();
const playback = usePlayback();
const preferences = usePreferences();
const { hint } = useCommandList();
</script>

<template>
  <div class="transport">
    <button
      type="button"
      class="transport-play"
      :disabled="!job.recordingUrl"
      :aria-label="playback.playing ? 'Hold' : 'Play'"
      :title="hint('Play or hold', 'play')"
      @click="playback.toggle()"
    >
      <component :is="playback.playing ? Pause : Play" :size="15" fill="currentColor" aria-hidden="true" />
    </button>
    <span class="figures transport-time" data-test="playhead">{{ monitorClock(playback.time) }}</span>
    <button
      type="button"
      class="plain-button"
      :title="hint('Replay this caption', 'replay')"
      :disabled="!place.caption || !job.recordingUrl"
      @click="playback.replay(place.index, place.index)"
    >
      Replay
    </button>
    <label class="visually-hidden" for="transport-rate">Speed</label>
    <select
      id="transport-rate"
      class="plain-button"
      title="Speed"
      :value="playback.rate"
      @change="playback.setRate(Number(($event.target as HTMLSelectElement).value))"
    >
      <option v-for="rate in rates" :key="rate" :value="rate">{{ rate }}×</option>
    </select>
    <button
      type="button"
      class="plain-button"
      :title="hint('While playing, the cursor caption goes along', 'follow')"
      :aria-pressed="place.follow"
      @click="place.follow = !place.follow"
    >
      Follow{{ place.follow ? ' ✓' : '' }}
    </button>
    <button
      type="button"
      class="plain-button"
      title="Hold while you type, and go on after"
      :aria-pressed="preferences.holdWhileTyping"
      @click="preferences.holdWhileTyping = !preferences.holdWhileTyping"
    >
      Hold{{ preferences.holdWhileTyping ? ' ✓' : '' }}
    </button>
  </div>
</template>

<style scoped>
.transport {
  display: flex;
  align-items: center;
  gap: 4px;
  flex: none;
  height: 52px;
  padding: 0 10px 0 12px;
}
.transport-play {
  display: grid;
  place-items: center;
  flex: none;
  width: 34px;
  height: 34px;
  border: 0;
  border-radius: 50%;
  background: var(--reed);
  color: var(--on-reed);
  cursor: pointer;
}
select {
  width: 54px;
  padding: 0 2px;
}
.transport .plain-button {
  padding-inline: 6px;
  font-size: 13px;
}
.transport-play:disabled {
  opacity: 0.4;
}
/* As wide on as off, so that nothing beside it moves. */
.transport [aria-pressed] {
  justify-content: center;
  width: 64px;
}
.transport [aria-pressed]:last-child {
  width: 56px;
}
.transport-time {
  flex: 1;
  font-size: 14px;
}
</style>
