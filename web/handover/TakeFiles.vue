<script setup lang="ts">
import type { Sheet } from '../../core/formats/sheet.ts';
import { computed, reactive, ref } from 'vue';
import { lossInWords } from '../../core/formats/loss.ts';
import { writable } from '../../core/formats/registry.ts';
import type { FormatName } from '../../core/formats/format.ts';
import { leaveOut } from '../../core/handover/leave-out.ts';
import { bytesInWords } from '../describe/jobs.ts';
import { useFindings } from '../stores/findings.ts';
import { useJob } from '../stores/job.ts';
import { useTrack } from '../stores/track.ts';

const job = useJob();
const track = useTrack();
const findings = useFindings();
const chosen = ref<FormatName>('srt');
const wanted = reactive({ soundNotes: false, labels: false, positions: false, wordTimes: false, timeMarks: false });

const sheet = computed<Sheet>(() => ({
  captions: leaveOut(track.captions, wanted),
  title: job.job?.title ?? '',
  language: track.track?.language ?? null,
  foreign: track.track?.foreign ?? null,
}));
const rows = computed(() =>
  writable.map((format) => {
    const losses = format.writer.losses(sheet.value, wanted);
    const missed = losses.filter((l) => !l.workings);
    const aside = missed.length === 0 && losses.length > 0 ? ', no word times' : '';
    return {
      format,
      loses: missed.length > 0,
      said: `${missed.length > 0 ? `without ${lossInWords(missed)}` : 'every caption whole'}${aside}`,
    };
  }),
);
const row = computed(() => rows.value.find((r) => r.format.name === chosen.value));

/** What a format can be asked to write besides. */
const besides: Readonly<Partial<Record<FormatName, { readonly key: keyof typeof wanted; readonly words: string }>>> = {
  srt: { key: 'positions', words: 'Write places on the picture, for players that know them' },
  vtt: { key: 'wordTimes', words: 'Write the times of words' },
  ttml: { key: 'wordTimes', words: 'Write the times of words' },
  txt: { key: 'timeMarks', words: 'Write the time before each paragraph' },
  html: { key: 'timeMarks', words: 'Write the time before each paragraph' },
};
const beside = computed(() => besides[chosen.value]);

/** How much of a file is shown. */
const shownLines = 14;
const shown = computed(() => {
  const text = row.value?.format.writer.write(sheet.value, wanted) ?? '';
  let end = 0;
  for (let n = 0; n < shownLines && end >= 0; n++) end = text.indexOf('\n', end + 1);
  return { head: end < 0 ? text : text.slice(0, end), bytes: new TextEncoder().encode(text).length };
});
const url = computed(() => {
  const query = new URLSearchParams({ format: chosen.value });
  for (const [key, on] of Object.entries(wanted)) if (on) query.set(key, 'true');
  return `/api/tracks/${track.track?.id ?? ''}/file?${query.toString()}`;
});
</script>

<template>
  <h3 id="take-files">Or take the files yourself</h3>
  <div class="take">
    <div class="take-side">
      <div role="radiogroup" aria-labelledby="take-files" class="take-formats">
        <label v-for="{ format, loses, said } in rows" :key="format.name" :class="{ chosen: format.name === chosen }">
          <input v-model="chosen" type="radio" name="take-format" :value="format.name" />
          <span
            ><b>{{ format.title }}</b> <span class="figures soft">{{ format.extension }}</span><small
              :class="{ loses }"
              >{{ said }}</small
            ></span
          >
        </label>
      </div>
      <label class="take-choice"><input v-model="wanted.soundNotes" type="checkbox" /> Leave out sound notes</label>
      <label class="take-choice"><input v-model="wanted.labels" type="checkbox" /> Leave out speaker labels</label>
      <label v-if="beside" class="take-choice"
        ><input v-model="wanted[beside.key]" type="checkbox" /> {{ beside.words }}</label
      >
    </div>
    <div class="take-file">
      <pre class="figures" tabindex="0" aria-label="The beginning of the file">{{ shown.head }}</pre>
      <p class="take-go">
        <a class="plain-button main" :href="url" download>Take the {{ row?.format.title }} file</a>
        <span class="soft"
          >{{ sheet.captions.length }} captions, UTF-8, {{ bytesInWords(shown.bytes) }}.
          <template v-if="track.keeping !== 'kept'"
            >It holds what the server has; {{ track.waiting }} changes are still on their way.</template
          ></span
        >
      </p>
      <p v-if="findings.count > 0" class="take-warn">
        ▲ {{ findings.count }} {{ findings.count === 1 ? 'finding is' : 'findings are' }} still open; the file can be
        taken and sent all the same.
      </p>
    </div>
  </div>
</template>

<style scoped>
h3 {
  margin: 22px 0 8px;
  font-size: 15px;
}
.take {
  display: grid;
  grid-template-columns: minmax(260px, 320px) minmax(0, 1fr);
  gap: 18px;
  align-items: start;
}
.take-side {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.take-formats {
  margin-bottom: 6px;
  border: 1px solid var(--rule);
  background: var(--sheet);
}
.take-formats label {
  display: flex;
  align-items: baseline;
  gap: 10px;
  padding: 6px 12px;
  cursor: pointer;
}
.take-formats label + label {
  border-top: 1px solid var(--rule);
}
.take-formats label.chosen {
  background: var(--reed-wash);
}
.take-formats label.chosen .soft,
.take-formats label.chosen small {
  color: var(--ink);
}
input {
  accent-color: var(--reed);
}
small {
  display: block;
  color: var(--soft);
  font-size: 13px;
  line-height: 1.35;
}
small.loses {
  color: var(--sun-text);
}
.take-choice {
  display: flex;
  align-items: baseline;
  gap: 8px;
}
pre {
  margin: 0 0 10px;
  padding: 12px;
  overflow-x: auto;
  background: var(--header);
  color: #d9e6df;
  font-size: 14px;
  line-height: 1.45;
}
.take-go {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
}
.take-go a {
  text-decoration: none;
}
.take-warn {
  margin-top: 8px;
  color: var(--sun-text);
  font-weight: 600;
}
@media (max-width: 1100px) {
  .take {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
