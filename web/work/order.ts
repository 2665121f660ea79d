/** The page's side: hands work to the worker and waits for the answer. */
import type { Material, TaskName, Tasks } from './tasks.ts';

interface Answered {
  readonly id: number;
  readonly answer?: unknown;
  readonly trouble?: string;
}

interface Waiting {
  readonly resolve: (answer: never) => void;
  readonly reject: (error: Error) => void;
}

let worker: Worker | null = null;
let last = 0;
const waiting = new Map<number, Waiting>();

const broken = (): Error =>
  new Error('The part of this page that works on whole tracks has stopped. Nothing was changed; try once more.');

function hire(): Worker {
  if (worker) return worker;
  const hired = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  hired.addEventListener('message', ({ data }: MessageEvent<Answered>) => {
    const asker = waiting.get(data.id);
    waiting.delete(data.id);
    if (data.trouble === undefined) asker?.resolve(data.answer as never);
    else asker?.reject(new Error(`This could not be done, and nothing was changed: ${data.trouble}`));
  });
  hired.addEventListener('error', () => {
    // One that stopped is let go; the next order hires another.
    worker = null;
    hired.terminate();
    for (const { reject } of waiting.values()) reject(broken());
    waiting.clear();
  });
  worker = hired;
  return hired;
}

/** Has a task done in the worker. @throws {Error} with a sentence when it could not be */
export function order<T extends TaskName>(
  task: T,
  { captions, ground }: Material,
  asked: Tasks[T]['asked'],
): Promise<Tasks[T]['answer']> {
  const id = ++last;
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve, reject });
    hire().postMessage({ id, task, captions, ground, asked });
  });
}
