/** The worker’s side of reading sound: a recording through, a piece of it, or what it says of itself. */
import { answerQuestions } from '../../data/workers/worker-side.ts';
import { readPiece, type PieceRequest, type SoundPiece } from './read-piece.ts';
import { readSound, type ReadSoundResult, type ReadSoFar, type WholeRequest } from './read-sound.ts';
import { readAbout, type AboutRecording, type AboutRequest } from './read-about.ts';
import { segmentsOf } from '../../../core/timing/recut/segments.ts';
import type { Segment } from '../../../core/timing/whole/segment.ts';
import { readPrints, type CompareRequest, type Printed, type PrintsRequest } from './read-prints.ts';
import { SoundTrouble } from './sound-track.ts';

export type SoundRequest = WholeRequest | PieceRequest | AboutRequest | PrintsRequest | CompareRequest;
export type SoundAnswer = ReadSoundResult | SoundPiece | AboutRecording | Printed | readonly Segment[] | null;

answerQuestions(
  (request: SoundRequest, progress: (soFar: ReadSoFar | number) => void): Promise<SoundAnswer> => {
    if ('about' in request) return readAbout(request);
    if ('was' in request) return Promise.resolve(segmentsOf(request.was, request.now));
    if ('printsOf' in request) return readPrints(request, progress);
    return 'length' in request ? readSound(request, progress) : readPiece(request);
  },
  (error) => (error instanceof SoundTrouble ? error.message : null),
);
