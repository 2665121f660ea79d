<script setup lang="ts">
import Dropdown from 'ant-design-vue/es/dropdown';
import Menu, { MenuDivider, MenuItem } from 'ant-design-vue/es/menu';
import { ChevronDown, Redo2, Undo2 } from '@lucide/vue';
import { computed, onMounted, ref } from 'vue';
import { styleStanding } from '../../core/style/style-names.ts';
import { lengthInWords } from '../../core/time/clock.ts';
import { rateText } from '../../core/time/frames.ts';
import { useCommandList } from '../commands/command-list.ts';
import { sentence } from '../../core/contract/api-error.ts';
import { useDialogs } from '../stores/dialogs.ts';
import { useFindings } from '../stores/findings.ts';
import { useJob } from '../stores/job.ts';
import { useStyles } from '../stores/styles.ts';
import { useMessages } from '../stores/messages.ts';
import { useTrack } from '../stores/track.ts';
import { languageName } from '../describe/jobs.ts';
import ThemeButton from '../controls/ThemeButton.vue';
import KeptState from './KeptState.vue';
import KeyHint from '../commands/KeyHint.vue';

const job = useJob();
const track = useTrack();
const messages = useMessages();
const findings = useFindings();
const styles = useStyles();
const dialogs = useDialogs();
const { hint } = useCommandList();

const under = computed(() => {
  const { job: open } = job;
  if (!open) return '';
  const rate = `${rateText(open.rate)} fps`;
  const many = track.captions.length;
  const proofed = many > 0 ? `${String(track.proofed)} of ${String(many)} proofed` : '';
  return [open.series, open.recording?.length ? lengthInWords(open.recording.length) : '', rate, proofed]
    .filter(Boolean)
    .join(' · ');
});
/** That the job's style is no longer the one it is named after. */
const aside = computed(() => {
  const standing = job.job ? styleStanding(job.job.style, styles.all) : 'same';
  return { same: '', earlier: ', as it was', changed: ', changed', gone: '' }[standing];
});
// While the server is away the styles that ship are there.
onMounted(() => void styles.load().catch(() => undefined));
/** The menu of styles opens under the pointer, so that another style is one click away; a key or a finger opens it too. */
const choosing = ref(false);
async function useStyle(id: string): Promise<void> {
  choosing.value = false;
  try {
    await job.useStyle(id);
  } catch (error) {
    messages.notice = sentence(error);
  }
}
</script>

<template>
  <header class="head">
    <RouterLink :to="{ name: 'jobs' }" class="head-home" title="All jobs"
      ><img src="/icon.svg" alt="All jobs" width="34" height="34"
    /></RouterLink>
    <div class="head-title">
      <h1>{{ job.job?.title ?? 'Fenwix' }}</h1>
      <p>{{ under }}</p>
    </div>
    <template v-if="job.job && track.track">
      <span class="head-box"
        ><b>{{ languageName(track.track.language) }}</b> {{ track.track.name }}</span
      >
      <Dropdown v-model:open="choosing" :trigger="['hover']" :mouse-enter-delay="0.1">
        <button
          type="button"
          class="head-box"
          aria-haspopup="menu"
          :aria-expanded="choosing"
          @click="choosing = true"
          @keydown.esc="choosing = false"
        >
          House style <b>{{ job.job.style.name }}{{ aside }}</b> · {{ job.job.style.reading.speed.limit }} cps
          <ChevronDown :size="14" aria-hidden="true" />
        </button>
        <template #overlay>
          <Menu :selected-keys="[job.job.style.id]">
            <MenuItem v-for="style in styles.all" :key="style.id" @click="useStyle(style.id)">
              <b>{{ style.name }}</b> · {{ style.text.lineLength.limit }} characters,
              {{ style.reading.speed.limit }} cps
            </MenuItem>
            <MenuDivider />
            <MenuItem key="for this job" @click="dialogs.open = 'style'">Change it for this job…</MenuItem>
            <MenuItem key="all styles"><RouterLink :to="{ name: 'styles' }">All house styles</RouterLink></MenuItem>
          </Menu>
        </template>
      </Dropdown>
      <KeptState />
      <span class="visually-hidden" role="status">{{ findings.count }} findings</span>
      <div class="head-pair">
        <button
          type="button"
          aria-label="Undo"
          :title="hint('Undo', 'undo')"
          :disabled="!track.canUndo"
          @click="track.undo()"
        >
          <Undo2 :size="16" aria-hidden="true" />
        </button>
        <button
          type="button"
          aria-label="Redo"
          :title="hint('Redo', 'redo')"
          :disabled="!track.canRedo"
          @click="track.redo()"
        >
          <Redo2 :size="16" aria-hidden="true" />
        </button>
      </div>
      <button type="button" class="head-box head-find" @click="dialogs.open = 'finder'">
        Find a command <KeyHint command="find-command" />
      </button>
    </template>
    <span v-else class="head-spring"></span>
    <ThemeButton />
  </header>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 12px;
  flex: none;
  height: 48px;
  padding: 0 14px 0 19px;
  background: var(--header);
  color: var(--header-ink);
}
.head-home {
  width: 48px;
  line-height: 0;
}
.head-title {
  flex: 1;
  min-width: 0;
}
.head-title h1,
.head-title p {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.head-title h1 {
  font-size: 15px;
  font-weight: 700;
  line-height: 19px;
}
.head-title p {
  color: var(--header-soft);
  font-size: 13px;
  line-height: 17px;
}
.head-box,
.head-pair {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  height: 28px;
  padding: 0 10px;
  border: 1px solid var(--header-rule);
  border-radius: 4px;
  background: transparent;
  color: var(--header-ink);
  font: 14px var(--read);
  white-space: nowrap;
}
button.head-box {
  cursor: pointer;
}
button.head-box:hover,
.head-pair button:hover:not(:disabled) {
  background: rgb(255 255 255 / 8%);
}
.head-pair {
  padding: 0;
}
.head-pair button {
  height: 26px;
  padding: 0 8px;
  border: 0;
  background: none;
  color: inherit;
  cursor: pointer;
}
.head-pair button:disabled {
  opacity: 0.4;
  cursor: default;
}
.head-spring {
  flex: 1;
}
@media (max-width: 900px) {
  .head {
    flex-wrap: wrap;
    height: auto;
    padding: 6px 12px;
    row-gap: 6px;
  }
  .head-title {
    flex-basis: calc(100% - 70px);
  }
}
@media (max-width: 1180px) {
  .head-find kbd {
    display: none;
  }
}
</style>
