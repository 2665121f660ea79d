/** Where the machine draft of the job has its words, for whoever wants to see them beside the track. */
import { defineStore } from 'pinia';
import { shallowRef, watch } from 'vue';
import type { Caption } from '../../../core/model/caption.ts';
import { ask } from '../client/client.ts';
import { useJob } from '../jobs/job.ts';
import { usePreferences } from '../preferences/preferences.ts';

export const useDraftWords = defineStore('draft-words', () => {
  const job = useJob();
  const preferences = usePreferences();
  /** Of the machine draft; none where there is none, or while it is not asked for. */
  const captions = shallowRef<readonly Caption[]>([]);
  watch(
    [() => job.job?.tracks.find((t) => t.kind === 'machine')?.id, () => preferences.showsDraft],
    async ([id, wanted]) => {
      captions.value = [];
      if (!id || !wanted) return;
      // Without the server they are left out, as they would be where there is no draft.
      const draft = await ask('GET /api/tracks/:id', { params: { id } }).catch(() => null);
      if (draft && job.job?.tracks.some((t) => t.id === draft.id)) captions.value = draft.captions;
    },
    { immediate: true },
  );
  return { captions };
});
