/** The worker’s side of reading sound: a recording through, a piece of it, or what it says of itself. */
import { answerQuestions } from '../background/worker-side.ts';
import { readPiece, type PieceRequest, type SoundPiece } from './read-piece.ts';
import { readSound, type Heard, type ReadSoFar, type WholeRequest } from './read-sound.ts';
import { readAbout, type AboutRecording, type AboutRequest } from './read-about.ts';
import { SoundTrouble } from './sound-track.ts';

export type SoundRequest = WholeRequest | PieceRequest | AboutRequest;
export type SoundAnswer = Heard | SoundPiece | AboutRecording | null;

answerQuestions(
  (request: SoundRequest, progress: (soFar: ReadSoFar) => void): Promise<SoundAnswer> => {
    if ('about' in request) return readAbout(request);
    return 'length' in request ? readSound(request, progress) : readPiece(request);
  },
  (error) => (error instanceof SoundTrouble ? error.message : null),
);
