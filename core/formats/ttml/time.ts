/**
 * Time expressions of TTML: clock times `hh:mm:ss`, with a fraction, or with frames and sub-frames;
 * and offsets such as `3.5s`, `250ms`, `75f`, `1000t`. Source: W3C TTML2, "Time value expressions".
 */

/** What a document's parameters say about its clock (ttp:frameRate and the others). */
export interface DocumentClock {
  /** Frames per second, the multiplier counted in. */
  readonly frameRate: number;
  /** The rate labels count by: 30 where pictures come at 29.97. */
  readonly nominalRate: number;
  readonly subFrameRate: number;
  readonly tickRate: number;
  /** Times are labels that leave out two frames a minute but every tenth (SMPTE time code, NTSC). */
  readonly drop: boolean;
  /** Times are labels on frames, not moments. */
  readonly smpte: boolean;
}

const whole = (value: string | undefined): number | null =>
  value !== undefined && /^\s*\d{1,9}\s*$/.test(value) && Number(value) > 0 ? Number(value) : null;

/**
 * The clock of a document from its parameters.
 * @param parameter a ttp: attribute of the root by its local name
 */
export function documentClock(parameter: (name: string) => string | undefined): DocumentClock {
  const given = whole(parameter('frameRate'));
  const nominalRate = given ?? 30;
  // TTML1 wrote `1000:1001` where TTML2 writes `1000 1001`.
  const [numerator = 1, denominator = 1] = (parameter('frameRateMultiplier') ?? '1 1')
    .trim()
    .split(/[\s:]+/)
    .map((part) => whole(part) ?? 1);
  const subFrameRate = whole(parameter('subFrameRate')) ?? 1;
  const tickRate = whole(parameter('tickRate')) ?? (given === null ? 1 : nominalRate * subFrameRate);
  return {
    frameRate: (nominalRate * numerator) / denominator,
    nominalRate,
    subFrameRate,
    tickRate,
    drop: parameter('dropMode') === 'dropNTSC',
    smpte: parameter('timeBase') === 'smpte',
  };
}

/** Frames that a drop-frame label leaves out up to its minute. */
function droppedFrames(minutes: number): number {
  return 2 * (minutes - Math.floor(minutes / 10));
}

const clockTime = /^(\d{2,}):(\d{2}):(\d{2})(?:(\.\d{1,9})|:(\d{2,})(?:\.(\d{1,9}))?)?$/;
const offsetTime = /^(\d{1,12}(?:\.\d{1,9})?)(h|m|s|ms|f|t)$/;

/** Milliseconds of a time expression; null where it is none. */
export function timeExpression(text: string, clock: DocumentClock): number | null {
  const source = text.trim();
  if (source.length > 40) return null;
  const offset = offsetTime.exec(source);
  if (offset) {
    const value = Number(offset[1]);
    const perUnit = {
      h: 3_600_000,
      m: 60_000,
      s: 1000,
      ms: 1,
      f: 1000 / clock.frameRate,
      t: 1000 / clock.tickRate,
    }[offset[2] as 'h' | 'm' | 's' | 'ms' | 'f' | 't'];
    return Math.round(value * perUnit);
  }
  const parts = clockTime.exec(source);
  if (!parts) return null;
  const [, hours, minutes, seconds, fraction = '', frames = '0', subFrames = '0'] = parts;
  if (Number(minutes) > 59 || Number(seconds) > 60) return null;
  const whole = Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds);
  const frame = Number(frames) + Number(subFrames) / clock.subFrameRate;
  if (clock.smpte) {
    // A label names a frame: it is so many frames after the first.
    const dropped = clock.drop ? droppedFrames(Number(hours) * 60 + Number(minutes)) : 0;
    const counted = whole * clock.nominalRate + frame - dropped;
    return Math.round((counted * 1000) / clock.frameRate + Number(`0${fraction}`) * 1000);
  }
  return Math.round((whole + Number(`0${fraction}`) + frame / clock.frameRate) * 1000);
}
