/** Listening with as many workers as help: the recording in parts, then what is left between. */
import type { Stretch } from '../../core/speech/regions.ts';
import { chained } from '../../core/placing/anchors.ts';
import { gapsBetween } from '../../core/placing/fills.ts';
import type { Placed } from '../../core/placing/grammars.ts';
import { partsOf, withFills, type Listened } from '../../core/placing/listen.ts';
import type { Script } from '../../core/placing/words-to-place.ts';
import { workerClient, type WorkerClient } from '../background/worker-client.ts';
import type { PlacingAnswer, PlacingJob, PlacingQuestion } from './worker.ts';

/** Each holds a model of its own, of some forty megabytes. */
const mostWorkers = 4;
/** The share of the work that is done before anything is made to fit. */
const listening = 0.9;

type Client = WorkerClient<PlacingQuestion, PlacingAnswer>;
const begin = (): Client => workerClient(() => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }));

export interface HeardScript extends Listened {
  readonly script: Script;
}

/**
 * @param length of the recording, in ms
 * @param tell the share that is done, 0 to 1
 * @throws {WorkerTrouble}
 */
export async function listenInParts(
  job: PlacingJob,
  speech: readonly Stretch[],
  length: number,
  tell: (share: number) => void,
  signal: AbortSignal,
): Promise<HeardScript> {
  const many = Math.max(1, Math.min(mostWorkers, navigator.hardwareConcurrency));
  const clients = Array.from({ length: many }, begin);
  const done = clients.map(() => 0);
  const share = (i: number, part: number, from: number, to: number): void => {
    done[i] = part;
    tell(from + ((to - from) * done.reduce((sum, each) => sum + each, 0)) / many);
  };
  try {
    const [first] = clients;
    if (!first) throw new Error('There is always one.');
    for (const client of clients) client.begin();
    const script = (await first.ask({ job, ask: 'script' }, { signal })) as Script;
    const parts = partsOf(speech, length, script.words.length, many);
    const runs = await Promise.all(
      parts.map((part, i) =>
        (clients[i] ?? first).ask(
          { job, ask: 'anchors', part },
          { signal, progress: (p) => share(i, p, 0, listening) },
        ),
      ),
    );
    const anchors = chained(
      runs.flatMap((r) => r as readonly (readonly Placed[])[]),
      { script },
    );
    const gaps = gapsBetween(anchors, { script }, speech, length);
    done.fill(0);
    const fills = await Promise.all(
      clients.map((client, i) =>
        client.ask(
          { job, ask: 'fills', gaps: gaps.filter((_, n) => n % many === i) },
          { signal, progress: (p) => share(i, p, listening, 1) },
        ),
      ),
    );
    return { ...withFills(anchors, fills.flat() as Placed[], { script }), script };
  } finally {
    for (const client of clients) client.end();
  }
}
