/** The worker that works on whole tracks: keeps the captions as they are sent, and does what is asked with them. */
import type { Caption } from '../../../core/model/caption.ts';
import { patch, type Patch } from './patches.ts';
import { perform, type TaskOrder } from './track-tasks.ts';
import { answerQuestions } from './worker-side.ts';

const captions: Caption[] = [];

answerQuestions(
  (order: TaskOrder) => perform(order, captions),
  (error) =>
    `This could not be done, and nothing was changed: ${error instanceof Error ? error.message : String(error)}`,
  (changed: Patch<Caption>) => patch(captions, changed),
);
