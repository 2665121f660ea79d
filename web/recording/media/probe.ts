/** Asks the browser whether it can play a file, how long and large it is, and what it looks like. */
import type { Measured } from '../../../core/contract/recordings.ts';
import { canBePlayed, drawPoster } from './poster.ts';

export interface Probed {
  readonly measured: Measured;
  /** A small picture of it; null for sound only, and where it could not be drawn. */
  readonly poster: Blob | null;
}

/** @throws {Error} with a sentence, when the browser cannot play it */
export async function probe(file: File): Promise<Probed> {
  const url = URL.createObjectURL(file);
  const cannot = new Error(
    `This browser cannot play “${file.name}”. Nothing was imported; save it as WebM, MP4, WAV or MP3 and choose it again.`,
  );
  try {
    return await canBePlayed(url, cannot, async (media) => ({
      measured: {
        length: Math.max(1, Math.round(media.duration * 1000)),
        width: media.videoWidth,
        height: media.videoHeight,
      },
      poster: await drawPoster(media).catch(() => null),
    }));
  } finally {
    URL.revokeObjectURL(url);
  }
}
