/** Reads one file, and answers with what it was understood as or with why it was not. */
import { Unreadable } from '../../core/formats/format.ts';
import { importCaptions } from '../../core/formats/registry.ts';
import { answerQuestions } from '../data/workers/worker-side.ts';
import type { ImportRequest } from './read-file.ts';

answerQuestions(
  ({ bytes, options }: ImportRequest) => importCaptions(bytes, options),
  (error) => (error instanceof Unreadable ? error.message : null),
);
