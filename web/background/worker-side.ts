/** The worker’s side: takes questions, does them one after another, answers each. */
import type { WorkerQuestion, WorkerReply } from './worker-client.ts';

/**
 * Answers the questions that come to this worker.
 * @param answer may throw; what it throws is told as a sentence where `sentenceOf` knows one
 * @param hear takes what is told without a question
 */
export function answerQuestions(
  answer: (question: never, progress: (share: number) => void) => unknown,
  sentenceOf: (error: unknown) => string | null,
  hear: (message: never) => void = () => undefined,
): void {
  const reply = (message: WorkerReply<unknown>): void => postMessage(message);
  addEventListener('message', ({ data }: MessageEvent<WorkerQuestion<never> | object>) => {
    if (!('question' in data)) {
      hear(data as never);
      return;
    }
    const { id, question } = data;
    try {
      reply({ id, answer: answer(question, (progress) => reply({ id, progress })) });
    } catch (error) {
      reply({ id, trouble: sentenceOf(error) });
    }
  });
}
