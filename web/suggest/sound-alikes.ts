/** The page's side of suggestions. */
import type { SuggestRequest } from './worker.ts';

interface SuggestAnswer {
  readonly id: number;
  readonly words: readonly string[];
}

let worker: Worker | null = null;
let last = 0;
const waiting = new Map<number, (words: readonly string[]) => void>();

function hire(): Worker {
  if (worker) return worker;
  const hired = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  hired.addEventListener('message', ({ data }: MessageEvent<SuggestAnswer>) => {
    waiting.get(data.id)?.(data.words);
    waiting.delete(data.id);
  });
  // Without it there are no words that sound alike, and everything else goes on.
  hired.addEventListener('error', () => {
    worker = null;
    hired.terminate();
    for (const answer of waiting.values()) answer([]);
    waiting.clear();
  });
  worker = hired;
  return hired;
}

/** Has the dictionary read before it is asked for, which takes a second. */
export const readAhead = (): void => void hire();

/** Words that sound like one, the best first. @param likely words that are said elsewhere in the recording, in lower case */
export function askSoundAlikes(heard: string, likely: readonly string[]): Promise<readonly string[]> {
  const id = ++last;
  return new Promise((resolve) => {
    waiting.set(id, resolve);
    hire().postMessage({ id, heard, likely } satisfies SuggestRequest);
  });
}
