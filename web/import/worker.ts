/** Reads one file, and answers with what it was understood as or with why it was not. */
import { Unreadable } from '../../core/formats/format.ts';
import { importCaptions } from '../../core/formats/registry.ts';
import type { ImportAnswer, ImportRequest } from './read-file.ts';

addEventListener('message', ({ data: { bytes, asked } }: MessageEvent<ImportRequest>) => {
  try {
    postMessage({ understood: importCaptions(bytes, asked) } satisfies ImportAnswer);
  } catch (error) {
    const why = error instanceof Unreadable ? error.message : null;
    postMessage({ why } satisfies ImportAnswer);
  }
});
