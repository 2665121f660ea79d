<script setup lang="ts">
import { ChevronDown, Film, LocateFixed, Minus, Plus } from '@lucide/vue';
import { computed } from 'vue';
import { useForSpeech } from '../../desk/captions/use-for-speech.ts';
import IconButton from '../../ui/controls/IconButton.vue';
import MenuButton from '../../ui/controls/MenuButton.vue';
import TextButton from '../../ui/controls/TextButton.vue';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePreferences, type Snaps } from '../../data/preferences/preferences.ts';
import TapeSurface from './TapeSurface.vue';
import { useDrawn } from './drawn.ts';
import { useTapeView } from './tape-view.ts';

const job = useJob();
const dialogs = useDialogs();
const view = useTapeView();
const cursor = useCursor();
const playback = usePlayback();
const preferences = usePreferences();
const made = useForSpeech();
const drawn = useDrawn();
const snaps: readonly (readonly [keyof Snaps, string, string])[] = [
  ['speech', 'Speech', 'where speech begins or ends'],
  ['words', 'Words', 'where a word begins or ends'],
  ['frames', 'Frames', 'at a picture'],
  ['captions', 'Captions', 'the smallest gap from the next'],
  ['playhead', 'Playhead', 'where the playhead is'],
];
const entries = computed(() =>
  snaps.map(([key, title, detail]) => ({
    key,
    title: `${title} ${preferences.snaps[key] ? '✓' : '· off'}`,
    detail,
  })),
);
const snapping = computed(() => {
  const on = snaps.filter(([key]) => preferences.snaps[key]);
  if (on.length === snaps.length) return 'Snap';
  return on.length === 0 ? 'Snap: off' : `Snap: ${String(on.length)} of ${String(snaps.length)}`;
});
const shows = [
  ['showsWords', 'Words', 'where they are said'],
  ['showsNumbers', 'Numbers', 'of captions'],
  ['showsDraft', 'Words of the machine draft', 'beside them'],
  ['foldsSilence', 'Long silences folded', 'six seconds and more'],
] as const;
type Shown = (typeof shows)[number][0];
const shownEntries = computed(() =>
  shows.map(([key, title, detail]) => ({ key, title: `${title} ${preferences[key] ? '✓' : '· off'}`, detail })),
);
function show(key: Shown): void {
  view.foldAll();
  preferences[key] = !preferences[key];
}
const missing = computed(() => made.unwritten.value.length);
const onPage = computed(() => {
  const seconds = view.span / 1000;
  if (seconds < 9.95) return `${seconds.toFixed(1)} s on the page`;
  if (seconds < 120) return `${String(Math.round(seconds))} s on the page`;
  return `${String(Math.round(seconds / 60))} min on the page`;
});
/** What stands in the middle keeps its place, or the playhead where that is in sight. */
const about = (): number =>
  playback.time > view.from && playback.time < view.until ? playback.time : view.timeAt(view.height / 2);
const toggle = (key: keyof Snaps): void => {
  preferences.snaps = { ...preferences.snaps, [key]: !preferences.snaps[key] };
};
</script>

<template>
  <div class="stage-bar">
    <h2 class="visually-hidden">Tape</h2>
    <IconButton name="Further away" @click="view.further(about())"><Minus :size="15" aria-hidden="true" /></IconButton>
    <span class="small zoom truncated" role="status">{{ onPage }}</span>
    <IconButton name="Closer" @click="view.closer(about())"><Plus :size="15" aria-hidden="true" /></IconButton>
    <IconButton
      name="Back to the playhead, and along with it while it plays"
      :disabled="cursor.follow"
      @click="view.toPlayhead()"
    >
      <LocateFixed :size="15" aria-hidden="true" />
    </IconButton>
    <span class="spacer"></span>
    <IconButton v-if="job.job?.recording" name="About the recording…" @click="dialogs.open = 'recording'">
      <Film :size="15" aria-hidden="true" />
    </IconButton>
    <MenuButton :entries="shownEntries" menu-name="Shown on the tape" @select="(key) => show(key as Shown)">
      Show <ChevronDown :size="13" aria-hidden="true" />
    </MenuButton>
    <MenuButton
      :entries="entries"
      menu-name="Edges that are dragged snap to"
      @select="(key) => toggle(key as keyof Snaps)"
    >
      {{ snapping }}
      <ChevronDown :size="13" aria-hidden="true" />
    </MenuButton>
    <TextButton
      v-if="missing > 0"
      tip="An empty caption for every stretch of speech that has none"
      @click="made.insertForSpeech()"
    >
      New for speech ({{ missing }})
    </TextButton>
    <TextButton tip="New caption at the playhead" @click="drawn.insert()">New caption</TextButton>
  </div>
  <TapeSurface />
</template>

<style scoped>
.zoom {
  min-width: 108px;
  text-align: center;
}
</style>
