/** Where the server gives a recording out. */
import { urlOf } from '../../../core/contract/contract.ts';

/** The address of a recording, to be played and read from. @param hash of it */
export const recordingAt = (hash: string): string => urlOf('GET /api/recordings/:hash/file', { params: { hash } });
