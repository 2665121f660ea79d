/** Paints what is many on the tape: the ruler, faint lines across, and captions too small to be read as blocks. */
import { formatClock } from '../../core/time/clock.ts';
import { stretchesIn } from '../../core/speech/heard-under.ts';
import type { Stretch } from '../../core/speech/regions.ts';
import { peakWithin, type Peaks } from '../../core/speech/peaks.ts';
import type { FrameRate } from '../../core/time/frames.ts';
import type { Timed } from '../../core/timing/move.ts';
import { wiped } from '../theme/canvas.ts';
import { linesWithin, rulerFor } from './ruler.ts';

/** Where the parts of the tape stand, from its left, in px. */
export const columns = { ruler: 72, sound: 76, soundWidth: 120, foot: 202, blocks: 218, beside: 190 } as const;

export interface TapePicture {
  /** In px. */
  readonly width: number;
  readonly height: number;
  /** The time at the top, and px for a ms. */
  readonly from: number;
  readonly perMs: number;
  readonly length: number;
  readonly rate: FrameRate;
  /** How loud it is; null while that is not known. */
  readonly peaks: Peaks | null;
  /** Where somebody speaks; null while that is not known. */
  readonly speech: readonly Stretch[] | null;
  /** Captions to be drawn as bars, where there are too many to be read. */
  readonly bars: readonly (Timed & { readonly alarm: boolean })[];
}

/** A label as long as its step needs: tenths only where steps are shorter than a second. */
const label = (ms: number, step: number, long: boolean): string =>
  formatClock(ms, { fraction: '.', hours: long ? 'always' : 'when needed', digits: step < 1000 ? 1 : 0 });

export function paintTape(canvas: HTMLCanvasElement, picture: TapePicture): void {
  const { width, height, from, perMs, length } = picture;
  const sheet = wiped(canvas, width, height);
  if (!sheet) return;
  const { context, token } = sheet;
  const yOf = (ms: number): number => (ms - from) * perMs;
  const [top, foot] = [Math.max(0, yOf(0)), Math.min(height, yOf(length))];

  context.fillStyle = token('reed-wash');
  context.globalAlpha = 0.35;
  context.fillRect(columns.sound, top, columns.soundWidth, Math.max(0, foot - top));
  context.globalAlpha = 1;
  for (const { start, end } of stretchesIn(picture.speech ?? [], from, from + height / perMs)) {
    context.fillStyle = token('reed-wash');
    context.fillRect(columns.sound, yOf(start), columns.soundWidth, Math.max(1, (end - start) * perMs));
    context.fillStyle = token('reed');
    context.fillRect(columns.sound, yOf(start), 2, Math.max(1, (end - start) * perMs));
  }

  if (picture.peaks) {
    context.fillStyle = token('sound');
    const [middle, half] = [columns.sound + columns.soundWidth / 2, columns.soundWidth / 2 - 4];
    for (let y = Math.floor(top); y < foot; y++) {
      const peak = peakWithin(picture.peaks, from + y / perMs, from + (y + 1) / perMs) / 255;
      // Speech is seldom loud: the root brings out what is soft.
      const wide = Math.max(0.5, Math.sqrt(peak) * half);
      context.fillRect(middle - wide, y, wide * 2, 1);
    }
  }

  const { step, fine } = rulerFor(perMs, picture.rate);
  const until = Math.min(length, from + height / perMs);
  context.fillStyle = token('rule');
  for (const at of linesWithin(from, until, step)) context.fillRect(columns.blocks - 8, Math.round(yOf(at)), width, 1);
  context.fillStyle = token('soft');
  for (const at of linesWithin(from, until, fine)) context.fillRect(columns.ruler - 4, Math.round(yOf(at)), 4, 1);
  context.font = `${token('size-fine')} ${token('figures')}`;
  context.textBaseline = 'middle';
  context.textAlign = 'right';
  for (const at of linesWithin(from, until, step)) {
    context.fillRect(columns.ruler - 8, Math.round(yOf(at)), 8, 1);
    context.fillText(label(at, step, length >= 3_600_000), columns.ruler - 12, yOf(at));
  }

  for (const bar of picture.bars) {
    context.fillStyle = token(bar.alarm ? 'alarm' : 'reed-pale');
    const y = yOf(bar.start);
    context.fillRect(columns.blocks, y, width - columns.blocks - columns.beside, Math.max(1, yOf(bar.end) - y - 1));
  }
}
