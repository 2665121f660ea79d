/** The page’s side of a worker: questions with answers, progress, cancelling, and things handed over instead of copied. */

/** What goes to a worker, and what comes back. */
export interface WorkerQuestion<Q> {
  readonly id: number;
  readonly question: Q;
}
/** @template P how progress is told: the share that is done, 0 to 1, where nothing else is said */
export type WorkerReply<A, P = number> =
  | { readonly id: number; readonly answer: A }
  | { readonly id: number; readonly progress: P }
  /** A sentence; null where nobody foresaw it. */
  | { readonly id: number; readonly trouble: string | null };

/** As much of a `Worker` as is needed. */
export type WorkerLike = Pick<Worker, 'postMessage' | 'terminate' | 'addEventListener'>;

export interface AskOptions<P = number> {
  /** Stops what is asked: the worker is let go, since it cannot be interrupted, and others that waited for it fail. */
  readonly signal?: AbortSignal;
  /** Told how far it is. */
  readonly progress?: (progress: P) => void;
  readonly transfer?: Transferable[];
}

export interface WorkerClient<Q, A, P = number> {
  /** @throws {WorkerTrouble} what the worker says, or that it has stopped */
  readonly ask: (question: Q, options?: AskOptions<P>) => Promise<A>;
  /** Tells the worker something it does not answer, before the next question. */
  readonly tell: (message: unknown) => void;
  /** Begins the worker before it is asked. */
  readonly begin: () => void;
  /** Lets the worker go; the next question begins another. */
  readonly end: () => void;
}

/** Why a worker did not answer. `stopped`: it could not be begun, or broke off. */
export class WorkerTrouble extends Error {
  override readonly name = 'WorkerTrouble';
  readonly reason: 'stopped' | 'cancelled' | 'refused';

  constructor(reason: WorkerTrouble['reason'], message: string) {
    super(message);
    this.reason = reason;
  }
}

interface Waiting<A, P> {
  readonly resolve: (answer: A) => void;
  readonly reject: (error: WorkerTrouble) => void;
  readonly progress: (progress: P) => void;
}

/**
 * @param make begins a worker
 * @param onLost told when a worker is gone, with whatever it knew
 */
export function workerClient<Q, A, P = number>(
  make: () => WorkerLike,
  onLost: () => void = () => undefined,
): WorkerClient<Q, A, P> {
  let worker: WorkerLike | null = null;
  let last = 0;
  const waiting = new Map<number, Waiting<A, P>>();

  function lose(reason: 'stopped' | 'cancelled'): void {
    worker?.terminate();
    worker = null;
    onLost();
    const message =
      reason === 'stopped'
        ? 'The part of this page that works beside it has stopped. Nothing was changed; try once more.'
        : 'It was stopped. Nothing was changed.';
    const left = [...waiting.values()];
    waiting.clear();
    for (const { reject } of left) reject(new WorkerTrouble(reason, message));
  }

  function hear(reply: WorkerReply<A, P>): void {
    const asker = waiting.get(reply.id);
    if (!asker) return;
    if ('progress' in reply) {
      asker.progress(reply.progress);
      return;
    }
    waiting.delete(reply.id);
    if ('answer' in reply) asker.resolve(reply.answer);
    else asker.reject(new WorkerTrouble('refused', reply.trouble ?? 'It was too much for this browser.'));
  }

  function startWorker(): WorkerLike {
    if (worker) return worker;
    const begun = make();
    begun.addEventListener('message', (event) => hear((event as MessageEvent<WorkerReply<A, P>>).data));
    begun.addEventListener('error', () => {
      if (worker === begun) lose('stopped');
    });
    worker = begun;
    return begun;
  }

  return {
    ask: (question, { signal, progress = () => undefined, transfer = [] } = {}) =>
      new Promise((resolve, reject) => {
        if (signal?.aborted) {
          reject(new WorkerTrouble('cancelled', 'It was stopped. Nothing was changed.'));
          return;
        }
        const id = ++last;
        waiting.set(id, { resolve, reject, progress });
        signal?.addEventListener(
          'abort',
          () => {
            if (waiting.has(id)) lose('cancelled');
          },
          { once: true },
        );
        startWorker().postMessage({ id, question } satisfies WorkerQuestion<Q>, transfer);
      }),
    tell: (message) => startWorker().postMessage(message),
    begin: () => void startWorker(),
    end: () => lose('cancelled'),
  };
}
