/** The kinds of destinations there are. */
import type { DestinationKind } from '../../core/job/job.ts';
import type { DestinationKindAdapter } from './destination.ts';
import { videoHost } from './video-host.ts';

export const destinationKinds: Readonly<Record<DestinationKind, DestinationKindAdapter>> = {
  'video-host': videoHost,
};
