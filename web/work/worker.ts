/** The worker's side: takes orders, does them one after another, answers each. */
import { perform, type Order } from './tasks.ts';

addEventListener('message', ({ data }: MessageEvent<Order>) => {
  try {
    postMessage({ id: data.id, answer: perform(data) });
  } catch (error) {
    postMessage({ id: data.id, trouble: error instanceof Error ? error.message : String(error) });
  }
});
