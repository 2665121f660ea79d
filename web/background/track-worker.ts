/** The worker's side: keeps the captions as they are sent, takes orders, does them one after another, answers each. */
import type { Caption } from '../../core/track/caption.ts';
import { patch, type Patch } from './patches.ts';
import { perform, type TaskOrder } from './track-tasks.ts';

const captions: Caption[] = [];

addEventListener('message', ({ data }: MessageEvent<TaskOrder | Patch<Caption>>) => {
  if ('added' in data) {
    patch(captions, data);
    return;
  }
  try {
    postMessage({ id: data.id, answer: perform(data, captions) });
  } catch (error) {
    postMessage({ id: data.id, trouble: error instanceof Error ? error.message : String(error) });
  }
});
