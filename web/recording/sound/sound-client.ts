/** Asks workers about sound; one listens to recordings through, another is there for pieces at once. */
import { workerClient, type WorkerClient } from '../../data/workers/worker-client.ts';
import type { PieceRequest, SoundPiece } from './read-piece.ts';
import type { Segment } from '../../../core/timing/whole/segment.ts';
import type { CompareRequest, Printed, PrintsRequest } from './read-prints.ts';
import type { ReadSoundResult, ReadSoFar, WholeRequest } from './read-sound.ts';
import type { AboutRecording, AboutRequest } from './read-about.ts';

const begin = (): Worker => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
export const listenerClient = (): WorkerClient<WholeRequest, ReadSoundResult, ReadSoFar> => workerClient(begin);
export const pieceClient = (): WorkerClient<PieceRequest, SoundPiece | null> => workerClient(begin);
export const printsClient = (): WorkerClient<PrintsRequest, Printed> => workerClient(begin);
/** Which stretches of one recording are in another. @throws {WorkerTrouble} */
export async function askSegments(request: CompareRequest, signal: AbortSignal): Promise<readonly Segment[]> {
  const client: WorkerClient<CompareRequest, readonly Segment[]> = workerClient(begin);
  try {
    return await client.ask(request, { signal });
  } finally {
    client.end();
  }
}
/** What a recording says of itself. @throws {WorkerTrouble} */
export async function askAbout(url: string): Promise<AboutRecording> {
  const client: WorkerClient<AboutRequest, AboutRecording> = workerClient(begin);
  try {
    return await client.ask({ about: url });
  } finally {
    client.end();
  }
}
