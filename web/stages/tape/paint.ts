/** Paints what is many on the tape: the ruler, faint lines across, and captions too small to be read as blocks. */
import { formatClock } from '../../../core/timing/clock/clock.ts';
import { stretchesIn } from '../../../core/audio/heard-under.ts';
import type { Stretch } from '../../../core/audio/regions.ts';
import { peakWithin, shownLoud, type Peaks } from '../../../core/audio/peaks.ts';
import type { FrameRate } from '../../../core/timing/clock/frames.ts';
import type { Timed } from '../../../core/timing/drag/move.ts';
import { timecode } from '../../../core/timing/clock/timecode.ts';
import { wiped, type Drawing } from '../../ui/theme/canvas.ts';
import type { FineSound } from './fine-sound.ts';
import { linesWithin, rulerFor } from './ruler.ts';
import type { SaidWord } from './said-words.ts';

/** Where the parts of the tape stand, from its left, in px. */
export const columns = { ruler: 72, sound: 76, soundWidth: 120, foot: 202, blocks: 218, beside: 190 } as const;

export interface TapePicture {
  /** In px. */
  readonly width: number;
  readonly height: number;
  /** The times at the top and at the foot, and px for a ms. */
  readonly from: number;
  readonly until: number;
  readonly perMs: number;
  /** Where a moment stands, in px, and the moment at a place. */
  readonly yOf: (ms: number) => number;
  readonly timeAt: (y: number) => number;
  /** Silences that are drawn short. */
  readonly folds: readonly Stretch[];
  readonly length: number;
  readonly rate: FrameRate;
  /** How loud it is; null while that is not known. */
  readonly peaks: Peaks | null;
  /** Where somebody speaks; null while that is not known. */
  readonly speech: readonly Stretch[] | null;
  /** Its exact shape where that is in sight; null where it is not needed. */
  readonly fine: FineSound | null;
  /** Times are written as timecodes. */
  readonly inFrames: boolean;
  /** The part that is to be captioned, and one that was drawn. */
  readonly stretch: Stretch | null;
  readonly drawn: Stretch | null;
  /** Words where they are said: of the track, and of the machine draft. */
  readonly words: readonly SaidWord[];
  readonly draftWords: readonly SaidWord[];
  /** Where captions were that are being moved. */
  readonly ghosts: readonly Timed[];
  /** Captions to be drawn as bars, where there are too many to be read. */
  readonly bars: readonly (Timed & { readonly alarm: boolean })[];
}

type Sheet = Drawing & { readonly picture: TapePicture };

/** A label as long as its step needs: tenths only where steps are shorter than a second. */
function label(ms: number, step: number, { length, inFrames, rate }: TapePicture): string {
  // Between whole seconds a timecode says no more than the second and the picture: there is no room for all of it.
  if (inFrames && step < 1000) return timecode(ms, rate).slice(-5);
  const hours = length >= 3_600_000 ? 'always' : 'when needed';
  // Nor is there for hours and tenths together.
  if (step < 1000) return formatClock(ms, { fraction: '.', hours, digits: 1 }).slice(-7);
  return formatClock(ms, { fraction: '.', hours, digits: 0 }).replace(/^0(?=\d:\d\d:)/, '');
}

/** A stretch of time across a part of the tape. */
function band({ context, picture: { yOf } }: Sheet, { start, end }: Stretch, x: number, width: number): void {
  context.fillRect(x, yOf(start), width, Math.max(1, yOf(end) - yOf(start)));
}

function paintSound(sheet: Sheet, top: number, foot: number): void {
  const { context, token, picture } = sheet;
  const { from, until, fine, peaks, speech, timeAt } = picture;
  context.fillStyle = token('reed-wash');
  context.globalAlpha = 0.35;
  context.fillRect(columns.sound, top, columns.soundWidth, Math.max(0, foot - top));
  context.globalAlpha = 1;
  for (const each of stretchesIn(speech ?? [], from, until)) {
    context.fillStyle = token('reed-wash');
    band(sheet, each, columns.sound, columns.soundWidth);
    context.fillStyle = token('reed');
    band(sheet, each, columns.sound, 2);
  }
  if (!peaks && !fine) return;
  const loud = (start: number, end: number): number => {
    if (fine && start >= fine.from && end <= fine.until)
      return peakWithin([fine.cells], start - fine.from, end - fine.from, fine.perSecond);
    return peaks ? peakWithin(peaks, start, end) : 0;
  };
  context.fillStyle = token('sound');
  const [middle, half] = [columns.sound + columns.soundWidth / 2, columns.soundWidth / 2 - 4];
  for (let y = Math.floor(top); y < foot; y++) {
    const wide = Math.max(0.5, shownLoud(loud(timeAt(y), timeAt(y + 1))) * half);
    context.fillRect(middle - wide, y, wide * 2, 1);
  }
}

function paintRuler({ context, token, picture }: Sheet): void {
  const { width, perMs, from, until, length, yOf, folds } = picture;
  const { step, fine } = rulerFor(perMs, picture.rate);
  const hidden = (at: number): boolean => folds.some((f) => at > f.start && at < f.end);
  const lines = (each: number): number[] =>
    linesWithin(Math.max(0, from), Math.min(length, until), each).filter((at) => !hidden(at));
  context.fillStyle = token('rule');
  for (const at of lines(step)) context.fillRect(columns.blocks - 8, Math.round(yOf(at)), width, 1);
  context.fillStyle = token('soft');
  for (const at of lines(fine)) context.fillRect(columns.ruler - 4, Math.round(yOf(at)), 4, 1);
  context.font = `${token('size-fine')} ${token('figures')}`;
  context.textBaseline = 'middle';
  context.textAlign = 'right';
  for (const at of lines(step)) {
    context.fillRect(columns.ruler - 8, Math.round(yOf(at)), 8, 1);
    context.fillText(label(at, step, picture), columns.ruler - 10, yOf(at));
  }
}

/** Px from one line of words to the next. */
const wordLine = 15;
/** Words at their times, over the sound, with a rim so that they are read on it. */
function paintWords(
  { context, token, picture: { yOf } }: Sheet,
  words: readonly SaidWord[],
  side: 'left' | 'right',
): void {
  context.font = `${token('size-small')} ${token('read')}`;
  context.textBaseline = 'top';
  context.textAlign = side;
  context.lineJoin = 'round';
  context.lineWidth = 4;
  context.strokeStyle = token('sheet');
  const edge = side === 'left' ? columns.sound + 6 : columns.sound + columns.soundWidth - 4;
  /** Words that are said one right after another stand on one line, as far as there is room. */
  let [line, used] = [-Infinity, 0];
  for (const { text, start } of words) {
    const y = yOf(start) + 1;
    if (y < line + wordLine) {
      used += context.measureText(' ').width;
      if (used + context.measureText(text).width > columns.soundWidth) continue;
    } else [line, used] = [y, 0];
    const x = side === 'left' ? edge + used : edge - used;
    used += context.measureText(text).width;
    context.fillStyle = token(side === 'left' ? 'ink' : 'soft');
    context.fillRect(side === 'left' ? columns.sound : columns.sound + columns.soundWidth - 12, yOf(start), 12, 1);
    context.strokeText(text, x, line);
    context.fillText(text, x, line);
  }
}

export function paintTape(canvas: HTMLCanvasElement, picture: TapePicture): void {
  const { width, height, yOf, length } = picture;
  const wipedSheet = wiped(canvas, width, height);
  if (!wipedSheet) return;
  const sheet = { ...wipedSheet, picture };
  const { context, token } = sheet;
  const [top, foot] = [Math.max(0, yOf(0)), Math.min(height, yOf(length))];
  paintSound(sheet, top, foot);
  paintRuler(sheet);
  if (picture.stretch) {
    // What is not to be captioned recedes.
    context.fillStyle = token('ground');
    context.globalAlpha = 0.75;
    context.fillRect(columns.sound, 0, width, Math.max(0, yOf(picture.stretch.start)));
    context.fillRect(columns.sound, yOf(picture.stretch.end), width, Math.max(0, height - yOf(picture.stretch.end)));
    context.globalAlpha = 1;
  }
  if (picture.drawn) {
    context.fillStyle = token('water');
    context.globalAlpha = 0.3;
    band(sheet, picture.drawn, columns.sound, columns.soundWidth);
    context.globalAlpha = 1;
  }
  paintWords(sheet, picture.words, 'left');
  paintWords(sheet, picture.draftWords, 'right');
  context.strokeStyle = token('soft');
  context.lineWidth = 1;
  context.setLineDash([4, 3]);
  for (const { start, end } of picture.ghosts)
    context.strokeRect(
      columns.blocks + 0.5,
      yOf(start) + 0.5,
      width - columns.blocks - columns.beside,
      yOf(end) - yOf(start),
    );
  context.setLineDash([]);
  for (const bar of picture.bars) {
    context.fillStyle = token(bar.alarm ? 'alarm' : 'reed-pale');
    const y = yOf(bar.start);
    context.fillRect(columns.blocks, y, width - columns.blocks - columns.beside, Math.max(1, yOf(bar.end) - y - 1));
  }
}
