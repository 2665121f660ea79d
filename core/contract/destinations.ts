/** Routes of destinations and of what is handed over to them. */
import type { FormatName } from '../formats/format.ts';
import type { Destination, DestinationKind, ListedRecording, Receipt } from '../job/job.ts';

export interface NewDestination {
  readonly name: string;
  readonly kind: DestinationKind;
  readonly url: string;
  /** An access key; it never leaves the server again. */
  readonly token: string;
}

/** Captions to be handed over; the same sent again is handed over once. */
export interface NewReceipt {
  /** Made by whoever sends it; the destination is told it, so that nothing is delivered twice. */
  readonly id: string;
  readonly track: string;
  readonly destination: string;
  /** The recording there; null where this job’s is to be brought there first. */
  readonly place: string | null;
  /** One that the destination takes. */
  readonly format: FormatName;
}

export interface DestinationRoutes {
  'GET /api/destinations': { answer: readonly Destination[] };
  'PUT /api/destinations/:id': { body: NewDestination; answer: Destination };
  'GET /api/destinations/:id/recordings': { answer: readonly ListedRecording[] };
  'GET /api/jobs/:id/receipts': { answer: readonly Receipt[] };
  /** Answered at once; the sending goes on as work. */
  'POST /api/jobs/:id/receipts': { body: NewReceipt; answer: Receipt };
}
