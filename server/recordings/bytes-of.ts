/** A body of bytes that is small enough to be kept in the database. */
import { IncomingMessage } from 'node:http';
import { Readable } from 'node:stream';
import { ApiError } from '../../core/contract/api-error.ts';
import { bodyLimits } from '../../core/contract/limits.ts';

const tooLarge = (): ApiError =>
  new ApiError('too-large', 'This is larger than is taken here. Nothing was kept of it.');

/** How long a body says it is, in bytes; 0 where it does not say. */
export const announced = (body: Readable): number =>
  body instanceof IncomingMessage ? Number(body.headers['content-length'] ?? 0) : 0;

/**
 * All of a body; nothing where it was not sent as bytes. The rest of one that is refused is still read, and thrown away,
 * so that its connection goes on.
 * @throws {ApiError} where it is larger than the route takes
 */
export async function bytesOf(body: unknown, of: keyof typeof bodyLimits): Promise<Buffer> {
  if (!(body instanceof Readable)) return Buffer.alloc(0);
  const most = bodyLimits[of];
  if (announced(body) > most) throw tooLarge();
  const parts: Buffer[] = [];
  let sum = 0;
  for await (const part of body.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer>) {
    sum += part.length;
    if (sum > most) break;
    parts.push(part);
  }
  if (sum <= most) return Buffer.concat(parts);
  body.resume();
  throw tooLarge();
}
