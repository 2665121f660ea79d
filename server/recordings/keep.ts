/** Keeps recordings on disk under the hash of their bytes, so that one file is kept once. */
import { createHash, randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ApiError } from '../../core/contract/api-error.ts';
import { announced } from './bytes-of.ts';
import { inTurn } from './turns.ts';
import { typeOfRecording } from './type-of.ts';

export interface KeptFile {
  readonly hash: string;
  readonly bytes: number;
  readonly type: string;
}

/**
 * Where recordings are on disk, each under its hash.
 * @param data the server’s data folder
 */
export const folderOf = (data: string): string => join(data, 'recordings');

/** How files are called that are still on their way. */
export const partEnding = '.part';

const headLength = 4096;

const tooLarge = (largest: number): ApiError =>
  new ApiError(
    'recording-too-large',
    `The recording is over the limit of ${String(Math.round(largest / 1024 ** 2))} MB. Nothing was kept of it. Make it smaller, or raise the limit with FENWIX_LARGEST_RECORDING.`,
  );

/**
 * Streams a recording to disk, hashing on the way. A file that turns out too large, empty or no
 * recording leaves nothing behind.
 * @param written called with the file in its place, in turn with whatever else makes or removes recordings
 * @throws {ApiError}
 */
export async function keepRecording<T>(
  data: string,
  body: Readable,
  largest: number,
  written: (kept: KeptFile) => Promise<T>,
): Promise<T> {
  if (announced(body) > largest) throw tooLarge(largest);
  const folder = folderOf(data);
  await mkdir(folder, { recursive: true });
  const part = join(folder, `${randomUUID()}${partEnding}`);
  const hash = createHash('sha256');
  let bytes = 0;
  let head = Buffer.alloc(0);
  const watch = new Transform({
    transform(chunk: Buffer, _, next) {
      bytes += chunk.length;
      if (bytes > largest) {
        next(tooLarge(largest));
        return;
      }
      if (head.length < headLength) {
        head = Buffer.concat([head, chunk]).subarray(0, headLength);
        if (head.length >= 16 && typeOfRecording(head) === null) {
          next(
            new ApiError(
              'not-a-recording',
              'This file is not a recording Fenwix knows: WebM, MP4, QuickTime, Ogg, WAV, FLAC, MP3 or AAC was expected. Nothing was kept of it.',
            ),
          );
          return;
        }
      }
      hash.update(chunk);
      next(null, chunk);
    },
  });
  try {
    await pipeline(body, watch, createWriteStream(part, { flush: true }));
    const type = typeOfRecording(head);
    if (bytes === 0) throw new ApiError('empty', 'The file is empty. Nothing was kept of it.');
    if (type === null)
      throw new ApiError('not-a-recording', 'This file is too short to be a recording. Nothing was kept of it.');
    const name = hash.digest('hex');
    return await inTurn(async () => {
      await rename(part, join(folder, name));
      return written({ hash: name, bytes, type });
    });
  } catch (error) {
    await rm(part, { force: true });
    throw error;
  }
}
