/** Asks workers about sound; one listens to recordings through, another is there for pieces at once. */
import { workerClient, type WorkerClient } from '../background/worker-client.ts';
import type { PieceRequest, SoundPiece } from './read-piece.ts';
import type { Heard, ReadSoFar, WholeRequest } from './read-sound.ts';
import type { SoundTrackName, TracksRequest } from './read-tracks.ts';

const begin = (): Worker => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
export const listenerClient = (): WorkerClient<WholeRequest, Heard, ReadSoFar> => workerClient(begin);
export const pieceClient = (): WorkerClient<PieceRequest, SoundPiece | null> => workerClient(begin);
/** What sound tracks a recording has. @throws {WorkerTrouble} */
export async function askTracks(url: string): Promise<readonly SoundTrackName[]> {
  const client: WorkerClient<TracksRequest, readonly SoundTrackName[]> = workerClient(begin);
  try {
    return await client.ask({ tracksOf: url });
  } finally {
    client.end();
  }
}
