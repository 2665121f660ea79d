/** Asks workers about sound; one listens to recordings through, another is there for pieces at once. */
import { workerClient, type WorkerClient } from '../background/worker-client.ts';
import type { PieceRequest, SoundPiece } from './read-piece.ts';
import type { Heard } from './read-sound.ts';
import type { WholeRequest } from './worker.ts';

const begin = (): Worker => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
export const listenerClient = (): WorkerClient<WholeRequest, Heard> => workerClient(begin);
export const pieceClient = (): WorkerClient<PieceRequest, SoundPiece | null> => workerClient(begin);
