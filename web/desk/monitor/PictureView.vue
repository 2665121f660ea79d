<script setup lang="ts">
import { computed, onMounted, useTemplateRef } from 'vue';
import { linesOf, onScreenAt } from '../../../core/model/caption.ts';
import { useCompared } from '../../data/tracks/compared.ts';
import { useJob } from '../../data/jobs/job.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useTried } from '../../data/tracks/tried.ts';
import { Maximize2 } from '@lucide/vue';
import { useCommandList } from '../../data/commands/command-list.ts';
import IconButton from '../../ui/controls/IconButton.vue';
import { useWatching } from '../watch/watching.ts';

const job = useJob();
const tried = useTried();
const playback = usePlayback();
const compared = useCompared();
const watching = useWatching();
const { keyOf } = useCommandList();
const video = useTemplateRef<HTMLVideoElement>('video');
const recording = computed(() => job.job?.recording ?? null);
const hasPicture = computed(() => (recording.value?.width ?? 0) > 0);
/** How wide the picture is for its height. */
const shape = computed(() => {
  const { width, height } = recording.value ?? {};
  return width && height ? width / height : 16 / 9;
});

/** The captions on screen now: the picture always shows the current text. */
const shown = computed(() => {
  const at = playback.time;
  const here = compared.captions ? onScreenAt(compared.captions, at) : tried.onScreen(at);
  return here.filter((c) => c.text.trim() !== '');
});

onMounted(() => {
  if (video.value) playback.attach(video.value);
});
</script>

<template>
  <div class="picture" :style="{ '--shape': shape }">
    <video
      ref="video"
      :src="job.recordingUrl ?? undefined"
      preload="auto"
      playsinline
      @click="playback.toggle()"
    ></video>
    <p v-if="playback.trouble" class="picture-note" role="alert">{{ playback.trouble }}</p>
    <p v-else-if="!recording" class="picture-note">This job has no recording.</p>
    <p v-else-if="!hasPicture" class="picture-note">Sound only</p>
    <div class="picture-captions" data-test="picture-captions">
      <div v-for="caption in shown" :key="caption.id" dir="auto">
        <template v-for="(line, i) in linesOf(caption)" :key="i"
          ><br v-if="i > 0" /><span>{{ line }}</span></template
        >
      </div>
    </div>
    <IconButton
      v-if="job.recordingUrl && !watching.on"
      class="picture-watch"
      name="Watch through, the picture large"
      :keys="keyOf('watch-through')"
      @click="watching.start()"
    >
      <Maximize2 :size="16" aria-hidden="true" />
    </IconButton>
  </div>
</template>

<style scoped>
.picture {
  position: relative;
  flex: none;
  width: 100%;
  max-height: 56vh;
  aspect-ratio: var(--shape);
  overflow: hidden;
  background: var(--screen);
  container-type: size;
}
@media (max-width: 900px) {
  .picture {
    height: 240px;
  }
}
video {
  display: block;
  width: 100%;
  height: 100%;
}
.picture-watch.ant-btn {
  position: absolute;
  top: 6px;
  right: 6px;
  color: var(--screen-ink);
  background: var(--caption-ground);
}
.picture-note {
  position: absolute;
  inset: 0;
  display: grid;
  place-items: center;
  padding: 20px;
  color: var(--screen-ink);
  text-align: center;
  pointer-events: none;
}
.picture-captions {
  position: absolute;
  right: 4%;
  bottom: 6%;
  left: 4%;
  color: var(--caption-ink);
  font-size: max(var(--size-fine), 7cqh);
  line-height: 1.45;
  text-align: center;
  pointer-events: none;
}
.picture-captions span {
  padding: 1px 8px;
  background: var(--caption-ground);
  white-space: pre-wrap;
}
</style>
