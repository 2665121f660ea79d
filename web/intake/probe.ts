/** Asks the browser whether it can play a file, and how long and large it is. */

export interface Probed {
  /** In ms. */
  readonly length: number;
  /** 0 for sound only. */
  readonly width: number;
  readonly height: number;
}

/** How long the browser may take to read a recording's beginning, in ms. */
const patience = 20_000;

/** @throws {Error} with a sentence, when the browser cannot play it */
export async function probe(file: File): Promise<Probed> {
  const media = document.createElement('video');
  const url = URL.createObjectURL(file);
  const cannot = new Error(
    `This browser cannot play “${file.name}”. Nothing was brought in; save it as WebM, MP4, WAV or MP3 and choose it again.`,
  );
  const ready = (event: string): Promise<void> =>
    new Promise((resolve, reject) => {
      const timer = setTimeout(() => reject(cannot), patience);
      const settle = (end: () => void) => () => {
        clearTimeout(timer);
        end();
      };
      media.addEventListener(event, settle(resolve), { once: true });
      media.addEventListener(
        'error',
        settle(() => reject(cannot)),
        { once: true },
      );
    });
  try {
    media.preload = 'metadata';
    media.src = url;
    await ready('loadedmetadata');
    if (!Number.isFinite(media.duration)) {
      // Recordings made live carry no length; going past the end makes the browser find it.
      media.currentTime = 1e7;
      await ready('durationchange');
    }
    if (!Number.isFinite(media.duration) || media.duration <= 0) throw cannot;
    return {
      length: Math.max(1, Math.round(media.duration * 1000)),
      width: media.videoWidth,
      height: media.videoHeight,
    };
  } finally {
    media.removeAttribute('src');
    media.load();
    URL.revokeObjectURL(url);
  }
}
