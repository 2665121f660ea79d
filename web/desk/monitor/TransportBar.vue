<script setup lang="ts">
import { computed } from 'vue';
import IconButton from '../../ui/controls/IconButton.vue';
import SelectField from '../../ui/controls/SelectField.vue';
import { ArrowDownToLine, ArrowUpToLine, Pause, Play, RotateCcw } from '@lucide/vue';
import { useCommandList } from '../../data/commands/command-list.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { rates } from '../../recording/playback/player.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import TextButton from '../../ui/controls/TextButton.vue';
import VolumeMenu from '../../recording/playback/VolumeMenu.vue';
import { useChosenEdge } from '../captions/chosen-edge.ts';
import { useWatching } from '../watch/watching.ts';
import { useTimes } from '../../data/tracks/times.ts';

const times = useTimes();
const job = useJob();
const cursor = useCursor();
const playback = usePlayback();
const preferences = usePreferences();
const { hint, keyOf } = useCommandList();
const edge = useChosenEdge();
const watching = useWatching();
const edges = [
  { which: 'start', name: 'Hear begin', command: 'choose-begin', icon: ArrowUpToLine },
  { which: 'end', name: 'Hear end', command: 'choose-end', icon: ArrowDownToLine },
] as const;
/** As long as `00:00.00` is. */
const clockUnderAnHour = 8;
const clock = computed(() => times.clock(playback.time));
const speeds = rates.map((rate) => ({ value: rate, title: `${String(rate)}×` }));
</script>

<template>
  <div class="transport row wrap" :class="{ long: clock.length > clockUnderAnHour }">
    <IconButton
      main
      round
      class="transport-play"
      :name="playback.playing ? 'Pause' : 'Play'"
      :keys="keyOf('play')"
      :disabled="!job.recordingUrl"
      @click="playback.toggle()"
    >
      <component :is="playback.playing ? Pause : Play" :size="15" fill="currentColor" aria-hidden="true" />
    </IconButton>
    <span class="transport-time figures small grow" data-test="playhead">{{ clock }}</span>
    <template v-if="!watching.on">
      <IconButton
        name="Replay this caption"
        :keys="keyOf('replay')"
        :disabled="!cursor.caption || !job.recordingUrl"
        @click="playback.replay(cursor.index, cursor.index)"
      >
        <RotateCcw :size="16" aria-hidden="true" />
      </IconButton>
      <IconButton
        v-for="{ which, name, command, icon } in edges"
        :key="which"
        :name="name"
        :keys="keyOf(command)"
        :aria-pressed="edge.edge === which"
        :disabled="!cursor.caption || !job.recordingUrl"
        @click="edge.edge === which ? edge.leave() : edge.choose(which)"
      >
        <component :is="icon" :size="16" aria-hidden="true" />
      </IconButton>
    </template>
    <SelectField
      :model-value="playback.rate"
      label="Playback speed"
      :options="speeds"
      :width="48"
      bare
      @update:model-value="(rate) => rate !== null && playback.setRate(rate)"
    />
    <VolumeMenu />
    <template v-if="!watching.on">
      <TextButton
        :tip="hint('While playing, the cursor caption follows', 'follow')"
        :pressed="cursor.follow"
        @click="cursor.follow = !cursor.follow"
      >
        Follow
      </TextButton>
      <TextButton
        tip="Hold playback for typing: it pauses at a key and goes on after the last"
        :pressed="preferences.holdWhileTyping"
        @click="preferences.holdWhileTyping = !preferences.holdWhileTyping"
      >
        Hold
      </TextButton>
    </template>
  </div>
</template>

<style scoped>
.transport {
  gap: 2px;
  flex: none;
  min-height: 52px;
  padding: 3px 8px 3px 12px;
}
.transport-play.ant-btn {
  width: 34px;
  min-width: 34px;
  height: 34px;
}
.transport .ant-btn.icon-button:not(.transport-play) {
  min-width: 24px;
  padding-inline: 3px;
}
.transport .ant-btn[aria-pressed] {
  padding-inline: 4px;
}
/* Of an hour and more, in one row still. */
.transport.long {
  gap: 0;
}
.long .transport-time {
  font-size: var(--size-fine);
}
.transport-time {
  margin-left: 6px;
  min-width: max-content;
}
</style>
