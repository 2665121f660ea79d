/** Reading a file that has come in: at once where it is small, beside the page where that would stand still. */
import { Unreadable } from '../../core/formats/format.ts';
import { importCaptions, type ImportResult } from '../../core/formats/registry.ts';

export interface ImportRequest {
  readonly bytes: Uint8Array;
  readonly asked: Parameters<typeof importCaptions>[1];
}
export type ImportAnswer = { readonly understood: ImportResult } | { readonly why: string | null };

/** Files of more bytes than this are read beside the page: laying out a transcript takes a second for each 250 kB. */
const small = 40_000;

/**
 * Reads a file.
 * @param signal stops a reading that is no longer wanted; its promise then stays open
 * @throws {Unreadable} with one sentence
 */
export function readFile(
  bytes: Uint8Array,
  asked: ImportRequest['asked'],
  signal: AbortSignal,
): ImportResult | Promise<ImportResult> {
  if (bytes.length <= small) return importCaptions(bytes, asked);
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
    const stop = (): void => worker.terminate();
    signal.addEventListener('abort', stop);
    worker.addEventListener('message', ({ data }: MessageEvent<ImportAnswer>) => {
      stop();
      if ('understood' in data) resolve(data.understood);
      else reject(new Unreadable(data.why ?? 'It was too much for this browser to read.'));
    });
    // Without a worker, as while the server is away that has its program, the page reads for itself.
    worker.addEventListener('error', () => {
      stop();
      try {
        resolve(importCaptions(bytes, asked));
      } catch (error) {
        reject(error instanceof Error ? error : new Error(String(error)));
      }
    });
    worker.postMessage({ bytes, asked } satisfies ImportRequest);
  });
}
