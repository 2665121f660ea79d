/** Opens a recording without showing it, and draws the small picture that stands for it. */

/** How long the browser may take for each step, in ms. */
const patience = 20_000;
/** The largest picture that is drawn, in pixels. */
const [mostWidth, mostHeight] = [256, 144];
/** Where in the recording the picture is taken, in seconds: past titles that fade in, before the middle of a short one. */
const moment = (length: number): number => Math.min(8, length / 3);

function when(media: HTMLMediaElement, event: string, cannot: Error): Promise<void> {
  return new Promise((resolve, reject) => {
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
}

/**
 * Does something with a recording that is opened for it alone.
 * @param cannot thrown when the browser cannot play it
 */
export async function canBePlayed<T>(
  url: string,
  cannot: Error,
  use: (media: HTMLVideoElement) => Promise<T>,
): Promise<T> {
  const media = document.createElement('video');
  try {
    media.preload = 'metadata';
    media.muted = true;
    const ready = when(media, 'loadedmetadata', cannot);
    media.src = url;
    await ready;
    if (!Number.isFinite(media.duration)) {
      // Recordings made live carry no length; going past the end makes the browser find it.
      const found = when(media, 'durationchange', cannot);
      media.currentTime = 1e7;
      await found;
    }
    if (!Number.isFinite(media.duration) || media.duration <= 0) throw cannot;
    return await use(media);
  } finally {
    media.removeAttribute('src');
    media.load();
  }
}

/** @returns null for sound only @throws {Error} when the browser would not draw it */
export async function drawPoster(media: HTMLVideoElement): Promise<Blob | null> {
  const { videoWidth, videoHeight } = media;
  if (videoWidth === 0 || videoHeight === 0) return null;
  const cannot = new Error('This browser could not draw the picture of this recording.');
  const there = when(media, 'seeked', cannot);
  media.currentTime = moment(media.duration);
  await there;
  const scale = Math.min(mostWidth / videoWidth, mostHeight / videoHeight);
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(videoWidth * scale));
  canvas.height = Math.max(1, Math.round(videoHeight * scale));
  canvas.getContext('2d')?.drawImage(media, 0, 0, canvas.width, canvas.height);
  const drawn = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', 0.82));
  if (!drawn) throw cannot;
  return drawn;
}
