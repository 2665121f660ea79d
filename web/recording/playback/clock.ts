/** The clock of a media element, read on animation frames while it plays: its own events come four times a second. */

export interface ClockEvents {
  /** The playhead is somewhere else, in ms. */
  readonly moved: (time: number) => void;
  readonly playing: (now: boolean) => void;
  /** The sound was taken elsewhere. */
  readonly seeking: () => void;
  /** In ms. */
  readonly length: (length: number) => void;
  readonly broken: () => void;
}

/** As much of a media element as is needed. */
export type MediaLike = Pick<HTMLMediaElement, 'currentTime' | 'duration' | 'paused' | 'addEventListener'>;

/** Reads the clock of an element for as long as it is there. @returns reads it now */
export function readClock(media: MediaLike, tell: ClockEvents): () => void {
  let frame = 0;
  function read(): void {
    tell.moved(Math.round(media.currentTime * 1000));
    cancelAnimationFrame(frame);
    if (!media.paused) frame = requestAnimationFrame(read);
  }
  media.addEventListener('play', () => {
    tell.playing(true);
    read();
  });
  media.addEventListener('pause', () => tell.playing(false));
  media.addEventListener('seeking', tell.seeking);
  media.addEventListener('seeked', read);
  media.addEventListener('durationchange', () =>
    tell.length(Number.isFinite(media.duration) ? Math.round(media.duration * 1000) : 0),
  );
  media.addEventListener('error', tell.broken);
  return read;
}
