/** Routes of recordings and the small pictures that stand for them. */
import type { Recording } from '../job/job.ts';
import type { Regions } from '../audio/regions.ts';
import type { Bytes } from './bytes.ts';

/** What a page measured of a recording. */
export interface Measured {
  /** In ms. */
  readonly length: number;
  /** In pixels; 0 for sound only. */
  readonly width: number;
  readonly height: number;
}

/** Which of the sound tracks of a recording is meant, from 0; the first where nothing is said. */
export interface OfSound {
  readonly track?: number;
}

export interface RecordingRoutes {
  /** Sent as application/octet-stream; one that is here already is kept once. */
  'PUT /api/recordings': { query: { readonly name: string }; body: Bytes; answer: Recording };
  'PATCH /api/recordings/:hash': { body: Measured; answer: Recording };
  'GET /api/recordings/:hash/file': { answer: Bytes };
  /** A JPEG or WebP. */
  'PUT /api/recordings/:hash/poster': { body: Bytes; answer: null };
  'GET /api/recordings/:hash/poster': { answer: Bytes };
  /** How loud a sound track of the recording is, a byte for every hundredth of a second (`core/audio/peaks.ts`), as a page read it. */
  'PUT /api/recordings/:hash/peaks': { query: OfSound; body: Bytes; answer: null };
  'GET /api/recordings/:hash/peaks': { query: OfSound; answer: Bytes };
  /** Where speech and other sound is in it, as a page heard it. */
  'PUT /api/recordings/:hash/regions': { query: OfSound; body: Regions; answer: null };
  'GET /api/recordings/:hash/regions': { query: OfSound; answer: Regions };
}
