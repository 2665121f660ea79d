/** The worker’s side: takes questions, does them one after another, answers each. */
import type { WorkerQuestion, WorkerReply } from './worker-client.ts';

/**
 * Answers the questions that come to this worker.
 * @param answer may throw, or answer later; what it throws is told as a sentence where `sentenceOf` knows one
 * @param hear takes what is told without a question
 */
export function answerQuestions(
  answer: (question: never, progress: (progress: unknown) => void) => unknown,
  sentenceOf: (error: unknown) => string | null,
  hear: (message: never) => void = () => undefined,
): void {
  const reply = (message: WorkerReply<unknown, unknown>): void => postMessage(message);
  addEventListener('message', ({ data }: MessageEvent<WorkerQuestion<never> | object>) => {
    if (!('question' in data)) {
      hear(data as never);
      return;
    }
    const { id, question } = data;
    const refuse = (error: unknown): void => reply({ id, trouble: sentenceOf(error) });
    try {
      const answered = answer(question, (progress) => reply({ id, progress }));
      if (answered instanceof Promise) answered.then((later: unknown) => reply({ id, answer: later }), refuse);
      else reply({ id, answer: answered });
    } catch (error) {
      refuse(error);
    }
  });
}
