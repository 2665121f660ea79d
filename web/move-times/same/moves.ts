/** The same move for other tracks of the job: the server does it to one after another, and this says what came of it. */
import { defineStore } from 'pinia';
import { watch } from 'vue';
import { sentence } from '../../../core/contract/api-error.ts';
import type { Work } from '../../../core/job/work.ts';
import type { SameMove } from '../../../core/timing/whole/same-move.ts';
import { ask } from '../../data/client/client.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useServerEvents } from '../../data/client/server-events.ts';
import { newId } from '../../data/sync/ids.ts';

export const useMoves = defineStore('moves', () => {
  const job = useJob();
  const messages = useMessages();
  /** Those that are asked for here, by their ids: what came of others is told only where something is left. */
  const asked = new Map<string, number>();
  /** One that was not answered, so that asking again asks for the same. */
  let unanswered: { readonly key: string; readonly id: string } | null = null;

  function tell(work: Work): void {
    if (work.kind !== 'move-tracks' || work.job !== job.job?.id) return;
    if (work.state === 'failed') {
      messages.offer(work.reason ?? 'Not all tracks could be moved.', [
        { title: 'Go on', run: () => void change(work, 'again') },
        { title: 'Leave them', run: () => void change(work, 'stop') },
      ]);
      return;
    }
    const many = work.state === 'done' ? asked.get(work.subject) : undefined;
    if (many === undefined) return;
    asked.delete(work.subject);
    void job.refresh().catch(() => undefined);
    messages.remark = `${many === 1 ? 'One other track' : `${String(many)} other tracks`} moved alike. What each was before is under its Versions.`;
  }
  async function change(work: Work, to: 'again' | 'stop'): Promise<void> {
    try {
      await ask(`POST /api/work/:id/${to}`, { params: { id: work.id } });
    } catch (error) {
      messages.notice = sentence(error);
    }
  }

  /** Does the same to tracks that are not open; each keeps the version before. */
  async function moveAll(tracks: readonly string[], move: SameMove): Promise<void> {
    const of = job.job?.id;
    if (of === undefined) return;
    const key = JSON.stringify([of, tracks, move]);
    const { id } = (unanswered = unanswered?.key === key ? unanswered : { key, id: newId() });
    asked.set(id, tracks.length);
    try {
      const work = await ask('POST /api/jobs/:id/moves', { params: { id: of }, body: { id, tracks, move } });
      unanswered = null;
      tell(work);
    } catch (error) {
      asked.delete(id);
      messages.offer(`The other tracks stay as they were: ${sentence(error)}`, [
        { title: 'Go on', run: () => void moveAll(tracks, move) },
      ]);
    }
  }

  useServerEvents().listen((event) => event.type === 'work' && tell(event.work));
  // What is left from before is told when its job is opened.
  watch(
    () => job.job?.id,
    async (id) => {
      if (id === undefined) return;
      const works = await ask('GET /api/work', { query: { job: id } }).catch(() => []);
      works.forEach(tell);
    },
    { immediate: true },
  );
  return { moveAll };
});
