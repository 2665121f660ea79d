<script setup lang="ts">
import { computed, defineAsyncComponent, onBeforeUnmount, provide, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useCommandList } from '../../data/commands/command-list.ts';
import { keyTexts } from '../../ui/commands/key-texts.ts';
import { useCommandKeys } from '../commands/use-command-keys.ts';
import { away } from '../../data/client/client.ts';
import { fetchStages } from '../../stages/pieces.ts';
import { useWhenIdle } from '../../ui/idle.ts';
import MonitorPanel from '../../desk/monitor/MonitorPanel.vue';
import { useInMonitor } from '../../desk/monitor/panel.ts';
import OffSoundLine from '../../desk/captions/OffSoundLine.vue';
import LanguageLine from '../../desk/captions/LanguageLine.vue';
import { untimedInWords } from '../../desk/captions/untimed.ts';
import UntimedLine from '../../desk/captions/UntimedLine.vue';
import SkylineStrip from '../../desk/skyline/SkylineStrip.vue';
import { useRetime } from '../../move-times/bar/retime.ts';
import { toolParts } from '../../move-times/bar/tool-parts.ts';
import { useHour } from '../../move-times/bar/use-hour.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useJob } from '../../data/jobs/job.ts';
import { usePictureFollows } from '../../recording/playback/picture-follows.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useDroppedFile } from '../../data/jobs/dropped-file.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useSound } from '../../recording/sound/sound.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { gatherCommands } from './commands.ts';
import { useTypingAhead } from '../../desk/text/type-ahead.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useChosenEdge } from '../../desk/captions/chosen-edge.ts';
import { useWatching } from '../../desk/watch/watching.ts';
import JobHeader from './JobHeader.vue';
import NoticeBar from './NoticeBar.vue';
import SetAsideBar from './SetAsideBar.vue';
import StageRail from './StageRail.vue';
import { usePreferences } from '../../data/preferences/preferences.ts';
import LinkButton from '../../ui/controls/LinkButton.vue';

const props = defineProps<{ job: string }>();
const open = useJob();
const track = useTrack();
const messages = useMessages();
const playback = usePlayback();
const dialogs = useDialogs();
const preferences = usePreferences();
const sound = useSound();
const fetchDialogs = () => import('./JobDialogs.vue');
// What times are moved with reads files of every format: the captions are there before it.
const fetchBar = () => import('../../move-times/bar/RetimeBar.vue');
const retime = useRetime();
/** What the tool that is open has in place of the stage. */
const inStage = computed(() => (retime.shows.inStage ? toolParts[retime.tool]?.inStage : undefined));
useInMonitor(() => (retime.shows.inMonitor ? toolParts[retime.tool]?.inMonitor : undefined));
const JobDialogs = defineAsyncComponent(fetchDialogs);
const RetimeBar = defineAsyncComponent(fetchBar);
/** They are there from the first that is opened on. */
const hasDialogs = ref(false);
watch(
  () => dialogs.open,
  () => (hasDialogs.value = true),
);
const trouble = computed(() => open.trouble ?? track.trouble);
const ready = computed(() => open.job !== null && track.track !== null);

watch(
  () => props.job,
  async (id) => {
    await open.open(id);
    // Another job was asked for meanwhile.
    if (id !== props.job) return;
    const first = open.trackToOpen();
    if (first) await track.open(first.id);
    else if (open.job)
      open.trouble = 'This job has no track yet. Delete it on the Jobs page, or bring it in again with a caption file.';
    if (open.job) document.title = `${open.job.title} · Fenwix`;
  },
  { immediate: true },
);
const router = useRouter();
const commands = useCommandList();
commands.gathered = gatherCommands(router);
provide(keyTexts, commands.keyOf);
useTypingAhead();
// While it is watched through, and while an edge is chosen, keys are theirs before all else.
const edge = useChosenEdge();
const watching = useWatching();
useCommandKeys((event) => watching.onKey(event) || edge.onKey(event));
useHour();
const dropped = useDroppedFile();
/** A file dropped anywhere on the job is looked at in Tracks; text that is dragged is none of this. */
function onDrag(event: DragEvent): void {
  if (!event.dataTransfer?.types.includes('Files')) return;
  event.preventDefault();
  event.stopPropagation();
  const file = event.type === 'drop' ? event.dataTransfer.files[0] : undefined;
  if (!file || !ready.value) return;
  dropped.file = file;
  void router.push({ name: 'tracks' });
}
/** Captions without times come first: what is said of them puts the others right too. */
const isUntimed = computed(() => untimedInWords(track.captions) !== null);
const cursor = useCursor();
const follows = usePictureFollows();
/** Where no text stands, a caption that is to be written in is opened in Words. */
watch(
  () => cursor.toWrite,
  (id) => {
    const { name } = router.currentRoute.value;
    if (id === null) return;
    if (inStage.value) cursor.toWrite = null;
    else if (name !== 'words' && name !== 'tape') void router.push({ name: 'words' });
  },
);
const stopListening = router.onError(() => {
  messages.notice = `This page could not be fetched: ${away().message}`;
});
/** What the page does not show yet comes once it has shown the captions, so that all of it works while the server is away. */
const fetchRest = useWhenIdle(() => {
  fetchStages();
  for (const fetchOne of [fetchDialogs, fetchBar]) fetchOne().catch(() => undefined);
});
watch(ready, (now) => now && fetchRest(), { immediate: true });
/** The sound is listened through, once for all, when the page has nothing else to do. */
const listen = useWhenIdle(() => void sound.ensureRead());
watch(
  () => ready.value && open.job?.recording && `${open.job.recording.hash} ${String(open.job.soundTrack)}`,
  (has) => has && listen(),
  { immediate: true },
);
onBeforeUnmount(() => {
  stopListening();
  playback.pause();
  watching.leave();
  follows.stop();
  track.close();
});
</script>

<template>
  <div class="frame" @dragover.capture="onDrag" @drop.capture="onDrag">
    <JobHeader :inert="watching.on" />
    <NoticeBar :inert="watching.on" />
    <SetAsideBar :inert="watching.on" />
    <div v-if="trouble" class="empty-page" role="alert">
      <h2>This job could not be opened</h2>
      <p>{{ trouble }}</p>
      <LinkButton :to="{ name: 'jobs' }">All jobs</LinkButton>
    </div>
    <div v-else-if="!ready" class="empty-page" aria-live="polite">Opening the job…</div>
    <div
      v-else
      class="frame-body"
      :class="{ 'by-hand': preferences.monitorWidth }"
      :style="{ '--monitor': `${preferences.monitorWidth ?? 0}px` }"
    >
      <StageRail :inert="watching.on" />
      <main class="frame-stage fills" :inert="watching.on">
        <RetimeBar v-if="retime.isOpen" />
        <template v-else>
          <UntimedLine />
          <LanguageLine />
          <OffSoundLine v-if="!isUntimed" />
        </template>
        <component :is="inStage" v-if="inStage" />
        <RouterView v-else />
      </main>
      <MonitorPanel />
      <SkylineStrip :inert="watching.on" />
    </div>
    <JobDialogs v-if="hasDialogs" />
  </div>
</template>

<style scoped>
.frame {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.frame-body {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template: minmax(0, 1fr) 84px / 72px minmax(0, 1fr) minmax(320px, 31.5%);
}
/* On a wide screen the picture takes the room that the text has no use for. */
@media (min-width: 1600px) {
  .frame-body {
    grid-template-columns: 72px minmax(0, 920px) minmax(0, 1fr);
  }
}
.frame-body.by-hand {
  grid-template-columns: 72px minmax(0, 1fr) min(var(--monitor), 60vw);
}
/* Narrow windows, and 200 % zoom: the monitor goes under the stage, and the page scrolls. */
@media (max-width: 900px) {
  .frame-body.frame-body {
    grid-template: max-content max-content 84px / 60px minmax(0, 1fr);
    overflow-y: auto;
  }
  .frame-stage {
    min-height: 360px;
  }
  .frame-body > :deep(.monitor) {
    grid-column: 1 / -1;
    min-height: max-content;
    border-top: 1px solid var(--rule);
    border-left: 0;
  }
}
</style>
