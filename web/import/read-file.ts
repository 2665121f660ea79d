/** Reading a file that has come in: at once where it is small, beside the page where that would stand still. */
import { Unreadable } from '../../core/formats/format.ts';
import { importCaptions, type ImportOptions, type ImportResult } from '../../core/formats/registry.ts';
import { workerClient, WorkerTrouble } from '../data/workers/worker-client.ts';

export interface ImportRequest {
  readonly bytes: Uint8Array;
  readonly options: ImportOptions;
}

/** Files of more bytes than this are read beside the page: laying out a transcript takes a second for each 250 kB. */
const small = 40_000;

/**
 * Reads a file.
 * @param signal stops a reading that is no longer wanted
 * @throws {Unreadable} with one sentence
 */
export async function readFile(bytes: Uint8Array, options: ImportOptions, signal: AbortSignal): Promise<ImportResult> {
  if (bytes.length <= small) return importCaptions(bytes, options);
  const client = workerClient<ImportRequest, ImportResult>(
    () => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }),
  );
  try {
    return await client.ask({ bytes, options }, { signal });
  } catch (error) {
    if (!(error instanceof WorkerTrouble) || error.reason === 'cancelled') throw error;
    // Without a worker, as while the server is away that has its program, the page reads for itself.
    if (error.reason === 'stopped') return importCaptions(bytes, options);
    throw new Unreadable(error.message);
  } finally {
    client.end();
  }
}
