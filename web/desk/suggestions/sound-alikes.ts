/** Words that sound alike, found beside the page. */
import { defineStore } from 'pinia';
import { workerClient } from '../../data/workers/worker-client.ts';
import type { SuggestRequest } from './worker.ts';

export const useSoundAlikes = defineStore('sound-alikes', () => {
  const client = workerClient<SuggestRequest, readonly string[]>(
    () => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }),
  );
  /** Has the dictionary read before it is asked for, which takes a moment. */
  const readAhead = (): void => client.begin();
  /**
   * Words that sound like one, the best first; none where there is no worker, and everything else goes on.
   * @param likely words that are said elsewhere in the recording, in lower case
   */
  const ask = (heard: string, likely: readonly string[]): Promise<readonly string[]> =>
    client.ask({ heard, likely }).catch(() => []);
  return { readAhead, ask };
});
