/**
 * Work on whole tracks beside the page. The worker keeps the captions it was sent last, and is sent what
 * changed since, in pieces, so that the page never stands still for it.
 */
import { defineStore } from 'pinia';
import type { Caption } from '../../../core/model/caption.ts';
import { nextTurn } from '../../ui/idle.ts';
import { patchesBetween } from './patches.ts';
import type { TaskInput, TaskName, TaskOrder, Tasks } from './track-tasks.ts';
import { workerClient, type WorkerClient } from './worker-client.ts';

/** So many captions go in one piece: a few milliseconds of copying. */
const piece = 250;

export const useTrackWorker = defineStore('track-worker', () => {
  /** What the worker has. */
  let sent: readonly Caption[] = [];
  let worker = 0;
  const client: WorkerClient<TaskOrder, unknown> = workerClient(
    () => new Worker(new URL('./track-worker.ts', import.meta.url), { type: 'module' }),
    () => {
      sent = [];
      worker++;
    },
  );
  /** Orders go one after another, since each is about what was sent before it. */
  let before: Promise<unknown> = Promise.resolve();

  async function send(captions: readonly Caption[]): Promise<void> {
    const to = worker;
    for (const patch of patchesBetween(sent, captions, piece)) {
      await nextTurn();
      if (worker !== to) return send(captions);
      client.tell(patch);
    }
    sent = captions;
  }

  /** Has a task done in the worker. @throws {WorkerTrouble} with a sentence when it could not be */
  async function ask<T extends TaskName>(
    task: T,
    { captions, context }: TaskInput,
    request: Tasks[T]['request'],
  ): Promise<Tasks[T]['answer']> {
    // The question goes before anything else is sent; the answer is waited for outside the queue.
    const asked = before.then(async () => {
      await send(captions);
      return { answer: client.ask({ task, context, request } satisfies TaskOrder<T>) };
    });
    before = asked.catch(() => undefined);
    return (await (
      await asked
    ).answer) as Tasks[T]['answer'];
  }
  return { ask };
});
