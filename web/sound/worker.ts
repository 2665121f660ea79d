/** The worker’s side of reading sound: a recording through, a piece of it, or which sound tracks it has. */
import { answerQuestions } from '../background/worker-side.ts';
import { readPiece, type PieceRequest, type SoundPiece } from './read-piece.ts';
import { readSound, type Heard, type ReadSoFar, type WholeRequest } from './read-sound.ts';
import { readTracks, type SoundTrackName, type TracksRequest } from './read-tracks.ts';
import { SoundTrouble } from './sound-track.ts';

export type SoundRequest = WholeRequest | PieceRequest | TracksRequest;
export type SoundAnswer = Heard | SoundPiece | readonly SoundTrackName[] | null;

answerQuestions(
  (request: SoundRequest, progress: (soFar: ReadSoFar) => void): Promise<SoundAnswer> => {
    if ('tracksOf' in request) return readTracks(request);
    return 'length' in request ? readSound(request, progress) : readPiece(request);
  },
  (error) => (error instanceof SoundTrouble ? error.message : null),
);
