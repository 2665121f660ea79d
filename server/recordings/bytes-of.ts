/** A body of bytes that is small enough to be kept in the database. */
import { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import { ApiError } from '../../core/contract/api-error.ts';
import { bodyLimits } from '../../core/contract/limits.ts';

/** All of a body; nothing where it was not sent as bytes. @throws {ApiError} where it is larger than the route takes */
export async function bytesOf(body: unknown, of: keyof typeof bodyLimits): Promise<Buffer> {
  if (!(body instanceof Readable)) return Buffer.alloc(0);
  const most = bodyLimits[of];
  return buffer(
    (async function* limited() {
      let sum = 0;
      for await (const part of body as AsyncIterable<Buffer>) {
        sum += part.length;
        if (sum > most) throw new ApiError('too-large', 'This is larger than is taken here. Nothing was kept of it.');
        yield part;
      }
    })(),
  );
}
