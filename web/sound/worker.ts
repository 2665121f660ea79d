/** The worker’s side of reading sound: a recording through, or a piece of it. */
import { answerQuestions } from '../background/worker-side.ts';
import { readPiece, type PieceRequest, type SoundPiece } from './read-piece.ts';
import { readSound, type Heard } from './read-sound.ts';
import { SoundTrouble } from './sound-track.ts';

export interface WholeRequest {
  readonly url: string;
  /** In ms. */
  readonly length: number;
}
export type SoundRequest = WholeRequest | PieceRequest;
export type SoundAnswer = Heard | SoundPiece | null;

answerQuestions(
  (request: SoundRequest, progress): Promise<SoundAnswer> =>
    'length' in request ? readSound(request.url, request.length, progress) : readPiece(request),
  (error) => (error instanceof SoundTrouble ? error.message : null),
);
