/** Words that sound alike, found beside the page. */
import { workerClient } from '../../data/workers/worker-client.ts';
import type { SuggestRequest } from './worker.ts';

const client = workerClient<SuggestRequest, readonly string[]>(
  () => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }),
);

/** Has the dictionary read before it is asked for, which takes a second. */
export const readAhead = (): void => client.begin();

/**
 * Words that sound like one, the best first; none where there is no worker, and everything else goes on.
 * @param likely words that are said elsewhere in the recording, in lower case
 */
export const askSoundAlikes = (heard: string, likely: readonly string[]): Promise<readonly string[]> =>
  client.ask({ heard, likely }).catch(() => []);
