/**
 * The page's side: hands work to the worker and waits for the answer. The worker keeps the captions it
 * was sent last, and is sent what changed since, in pieces, so that the page never stands still for it.
 */
import type { Caption } from '../../core/track/caption.ts';
import { nextTurn } from './idle.ts';
import { patchesBetween } from './patches.ts';
import type { TaskInput, TaskOrder, TaskName, Tasks } from './track-tasks.ts';

interface Answered {
  readonly id: number;
  readonly answer?: unknown;
  readonly trouble?: string;
}

interface Waiting {
  readonly resolve: (answer: never) => void;
  readonly reject: (error: Error) => void;
}

/** So many captions go in one piece: a few milliseconds of copying. */
const piece = 250;

let worker: Worker | null = null;
let last = 0;
const waiting = new Map<number, Waiting>();
/** What the worker has. */
let sent: readonly Caption[] = [];
/** Orders go one after another, since each is about what was sent before it. */
let before: Promise<unknown> = Promise.resolve();

const broken = (): Error =>
  new Error('The part of this page that works on whole tracks has stopped. Nothing was changed; try once more.');

function hire(): Worker {
  if (worker) return worker;
  const hired = new Worker(new URL('./track-worker.ts', import.meta.url), { type: 'module' });
  hired.addEventListener('message', ({ data }: MessageEvent<Answered>) => {
    const asker = waiting.get(data.id);
    waiting.delete(data.id);
    if (data.trouble === undefined) asker?.resolve(data.answer as never);
    else asker?.reject(new Error(`This could not be done, and nothing was changed: ${data.trouble}`));
  });
  hired.addEventListener('error', () => {
    // One that stopped is let go; the next order hires another.
    worker = null;
    sent = [];
    hired.terminate();
    for (const { reject } of waiting.values()) reject(broken());
    waiting.clear();
  });
  worker = hired;
  return hired;
}

async function hand<T extends TaskName>(
  id: number,
  task: T,
  { captions, context }: TaskInput,
  asked: Tasks[T]['asked'],
): Promise<void> {
  const hired = hire();
  for (const patch of patchesBetween(sent, captions, piece)) {
    await nextTurn();
    if (worker !== hired) return;
    hired.postMessage(patch);
  }
  sent = captions;
  hired.postMessage({ id, task, context, asked } satisfies TaskOrder<T>);
}

/** Has a task done in the worker. @throws {Error} with a sentence when it could not be */
export function askTrackWorker<T extends TaskName>(
  task: T,
  material: TaskInput,
  asked: Tasks[T]['asked'],
): Promise<Tasks[T]['answer']> {
  const id = ++last;
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve, reject });
    before = before.then(() => hand(id, task, material, asked));
  });
}
