/** Changes to the whole track that take a while: worked out in the worker, made as one step of undo. */
import { defineStore } from 'pinia';
import { ref } from 'vue';
import type { Edit } from '../../../core/model/edits.ts';
import { sentence } from '../../../core/contract/api-error.ts';
import { useFindings } from './findings.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useTrackWorker } from '../../data/workers/track-client.ts';
import type { Tasks } from '../../data/workers/track-tasks.ts';

/** How often what was worked out on captions that have changed since is worked out again. */
const tries = 3;

type Change = 'repair' | 'reflow';

export const useWholeTrack = defineStore('whole-track', () => {
  /** Something is being worked out; whatever else is asked for has to wait. */
  const working = ref(false);
  const track = useTrack();
  const worker = useTrackWorker();
  const messages = useMessages();
  const findings = useFindings();

  /** Works something out and leaves it at that. @returns null where that was not possible, and a person was told why */
  async function preview<T extends Change>(task: T, request: Tasks[T]['request']): Promise<Tasks[T]['answer'] | null> {
    if (!findings.context) return null;
    try {
      return await worker.ask(task, { captions: track.captions, context: findings.context }, request);
    } catch (error) {
      messages.remark = sentence(error);
      return null;
    }
  }

  /** Works something out and does it. @returns null where nothing was done, and a person was told why */
  async function change<T extends Change>(task: T, request: Tasks[T]['request']): Promise<Tasks[T]['answer'] | null> {
    if (!track.editable || working.value) return null;
    working.value = true;
    try {
      for (let n = 0; n < tries; n++) {
        const { captions } = track;
        const answer: (Tasks[T]['answer'] & { readonly edit: Edit | null }) | null = await preview(task, request);
        if (!answer) return null;
        if (track.captions !== captions) continue;
        if (answer.edit) track.change(answer.edit);
        return answer;
      }
      messages.remark = 'The captions kept changing while this was worked out, so nothing was done. Ask once more.';
      return null;
    } finally {
      working.value = false;
    }
  }
  return { preview, change, working };
});
