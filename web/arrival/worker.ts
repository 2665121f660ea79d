/** Reads one file, and answers with what it was understood as or with why it was not. */
import { Unreadable } from '../../core/formats/format.ts';
import { understand } from '../../core/formats/registry.ts';
import type { Answered, Asked } from './reading.ts';

addEventListener('message', ({ data: { bytes, asked } }: MessageEvent<Asked>) => {
  try {
    postMessage({ understood: understand(bytes, asked) } satisfies Answered);
  } catch (error) {
    const why = error instanceof Unreadable ? error.message : null;
    postMessage({ why } satisfies Answered);
  }
});
