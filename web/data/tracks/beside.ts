/** Another track of the job that is shown beside the one that is worked on. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { ask } from '../client/client.ts';
import { useJob } from '../jobs/job.ts';
import { useServerEvents } from '../client/server-events.ts';
import { useTrack } from './track.ts';

const keyOf = (job: string): string => `fenwix-beside-in-${job}`;

export const useBeside = defineStore('beside', () => {
  const job = useJob();
  const track = useTrack();
  /** Id of the one that was chosen; kept in this browser for each job. */
  const chosen = ref<string | null>(null);
  watch(
    () => job.job?.id,
    (id) => (chosen.value = id === undefined ? null : localStorage.getItem(keyOf(id))),
    { immediate: true },
  );
  /** Null where none was chosen, where it is gone, or where it is what is worked on. */
  const shown = computed(() => job.job?.tracks.find((t) => t.id === chosen.value && t.id !== track.track?.id) ?? null);
  /** Null until they are there. */
  const captions = shallowRef<readonly Caption[] | null>(null);
  const trouble = ref<string | null>(null);

  let turn = 0;
  async function read(id: string): Promise<void> {
    const mine = ++turn;
    try {
      const answer = await ask('GET /api/tracks/:id', { params: { id } });
      if (mine === turn) [captions.value, trouble.value] = [answer.captions, null];
    } catch (error) {
      if (mine === turn) trouble.value = `The track beside this one cannot be shown: ${sentence(error)}`;
    }
  }
  watch(
    () => shown.value?.id,
    (id) => {
      turn++;
      [captions.value, trouble.value] = [null, null];
      if (id !== undefined) void read(id);
    },
    { immediate: true },
  );
  // Somebody works on it in another window.
  useServerEvents().listen((event) => {
    const id = shown.value?.id;
    if (id !== undefined && (event.type === 'connected' || (event.type === 'track' && event.track === id)))
      void read(id);
  });

  /** @param id of a track of this job; null for none */
  function choose(id: string | null): void {
    chosen.value = id;
    if (!job.job) return;
    if (id === null) localStorage.removeItem(keyOf(job.job.id));
    else localStorage.setItem(keyOf(job.job.id), id);
  }
  /** The next of the job's other tracks, and after the last of them none. */
  function next(): void {
    const others = (job.job?.tracks ?? []).filter((t) => t.id !== track.track?.id);
    const at = others.findIndex((t) => t.id === shown.value?.id);
    choose(others[at + 1]?.id ?? null);
  }
  return { shown, captions, trouble, choose, next };
});
