<script setup lang="ts">
import Button from 'ant-design-vue/es/button';
import ChoiceCards from '../../ui/controls/ChoiceCards.vue';
import CheckField from '../../ui/controls/CheckField.vue';
import type { Sheet } from '../../../core/formats/sheet.ts';
import { computed, reactive, ref } from 'vue';
import { urlOf } from '../../../core/contract/contract.ts';
import { lossInWords } from '../../../core/formats/loss.ts';
import { writable } from '../../../core/formats/registry.ts';
import type { FormatName } from '../../../core/formats/format.ts';
import { plural } from '../../../core/text/plural.ts';
import { captionsFor, nothingLeftOut, timesMadeUp } from '../../../core/handover/leave-out.ts';
import { bytesInWords } from '../../ui/describe/jobs.ts';
import { useFindings } from '../../desk/findings/findings.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useTrack } from '../../data/tracks/track.ts';

const job = useJob();
const track = useTrack();
const findings = useFindings();
const chosen = ref<FormatName>('srt');
const wanted = reactive({ ...nothingLeftOut, positions: false, wordTimes: false, timeMarks: false });

const sheetOf = (format: FormatName): Sheet => ({
  captions: captionsFor(track.captions, format, wanted),
  title: job.job?.title ?? '',
  language: track.track?.language ?? null,
  foreign: track.track?.foreign ?? null,
});
const sheet = computed(() => sheetOf(chosen.value));
/** Those whose times would be made up in the file. */
const untimed = computed(() => timesMadeUp(track.captions, chosen.value).length);
const keepsUntimed = computed({ get: () => !wanted.untimed, set: (keeps) => (wanted.untimed = !keeps) });
const rows = computed(() =>
  writable.map((format) => {
    const losses = format.writer.losses(sheetOf(format.name), wanted);
    const missed = losses.filter((l) => !l.workings);
    const aside = missed.length === 0 && losses.length > 0 ? ', without word times' : '';
    return {
      format,
      loses: missed.length > 0,
      said: `${missed.length > 0 ? `without ${lossInWords(missed)}` : 'complete'}${aside}`,
    };
  }),
);
const row = computed(() => rows.value.find((r) => r.format.name === chosen.value));
const cards = computed(() =>
  rows.value.map(({ format, loses, said }) => ({
    value: format.name,
    title: format.title,
    extension: format.extension,
    loses,
    said,
  })),
);

/** What a format can be asked to write besides. */
const besides: Readonly<Partial<Record<FormatName, { readonly key: keyof typeof wanted; readonly words: string }>>> = {
  srt: { key: 'positions', words: 'Include positions on the picture, for players that read them' },
  vtt: { key: 'wordTimes', words: 'Include word times' },
  ttml: { key: 'wordTimes', words: 'Include word times' },
  txt: { key: 'timeMarks', words: 'Include the time before each paragraph' },
  html: { key: 'timeMarks', words: 'Include the time before each paragraph' },
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
const url = computed(() =>
  urlOf('GET /api/tracks/:id/file', {
    params: { id: track.track?.id ?? '' },
    query: { format: chosen.value, ...wanted },
  }),
);
</script>

<template>
  <h3 class="apart-above">Download a file</h3>
  <div class="download">
    <div class="stack">
      <ChoiceCards v-model="chosen" label="Format of the file" :options="cards">
        <template #default="{ option }"
          ><b>{{ option.title }}</b> <span class="figures soft">{{ option.extension }}</span><small
            :class="{ warn: option.loses }"
            >{{ option.said }}</small
          ></template
        >
      </ChoiceCards>
      <CheckField v-model="wanted.soundNotes" class="take-choice">Leave out sound notes</CheckField>
      <CheckField v-model="wanted.labels" class="take-choice">Leave out speaker labels</CheckField>
      <CheckField v-if="beside" v-model="wanted[beside.key]" class="take-choice">{{ beside.words }}</CheckField>
    </div>
    <div class="stack">
      <p class="row wide wrap">
        <Button type="primary" :href="url" download>Download the {{ row?.format.title }} file</Button>
        <span class="soft"
          >{{ plural(sheet.captions.length, 'caption') }}, UTF-8, {{ bytesInWords(shown.bytes) }}.
          <template v-if="track.savedState !== 'saved'"
            >It holds what the server has; {{ track.waiting }} changes are not there yet.</template
          ></span
        >
      </p>
      <p v-if="untimed > 0 && wanted.untimed" class="warn strong">
        △ {{ untimed === 1 ? 'One caption is not timed and is' : `${untimed} captions are not timed and are` }} left
        out, here and where captions are sent.
      </p>
      <CheckField v-if="untimed > 0" v-model="keepsUntimed">
        Include
        {{
          untimed === 1
            ? 'one caption that is not timed, at a made-up time'
            : `${untimed} captions that are not timed, at made-up times`
        }}
      </CheckField>
      <p v-if="findings.count > 0" class="warn strong">
        ▲ {{ findings.count }} {{ findings.count === 1 ? 'finding is' : 'findings are' }} still open; you can download
        and send all the same.
      </p>
      <pre class="figures" tabindex="0" aria-label="The beginning of the file">{{ shown.head }}</pre>
    </div>
  </div>
</template>

<style scoped>
.download {
  display: grid;
  grid-template-columns: minmax(260px, 320px) minmax(0, 1fr);
  gap: 18px;
  align-items: start;
}
pre {
  margin: 0;
  padding: 12px;
  overflow-x: auto;
  background: var(--screen);
  color: var(--screen-ink);
  font-size: var(--size-small);
  line-height: 1.45;
}
@media (max-width: 1100px) {
  .download {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
