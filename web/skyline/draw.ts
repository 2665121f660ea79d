/** Paints the skyline on a canvas in the colours of the page's theme. */
import { formatClock } from '../../core/time/clock.ts';
import { barsOf, clockTicks, type Scene } from './bars.ts';

export interface Painting extends Scene {
  readonly height: number;
  readonly limit: number;
  /** In ms. */
  readonly playhead: number;
  /** The cursor caption's stretch, in ms; null where there is none. */
  readonly cursor: { readonly start: number; readonly end: number } | null;
  /** What the stage shows of the track, in ms; null where it shows none of it. */
  readonly view: { readonly start: number; readonly end: number } | null;
}

const foot = 16;

export function paint(canvas: HTMLCanvasElement, painting: Painting): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  const { width, height, length, limit } = painting;
  const scale = devicePixelRatio;
  if (canvas.width !== Math.round(width * scale) || canvas.height !== Math.round(height * scale)) {
    canvas.width = Math.round(width * scale);
    canvas.height = Math.round(height * scale);
  }
  const style = getComputedStyle(canvas);
  const colour = (name: string): string => style.getPropertyValue(`--${name}`).trim();
  context.setTransform(scale, 0, 0, scale, 0, 0);
  context.clearRect(0, 0, width, height);
  const ground = height - foot;
  const top = 6;
  const most = limit * 1.6;
  const y = (speed: number): number => ground - Math.max(2, (Math.min(speed, most) / most) * (ground - top));
  context.fillStyle = colour('reed-wash');
  context.globalAlpha = 0.5;
  context.fillRect(0, y(limit), width, ground - y(limit));
  context.globalAlpha = 1;
  const [alarm, proofed, open] = ['alarm', 'reed', 'reed-pale'].map(colour);
  for (const bar of barsOf(painting)) {
    context.fillStyle = (bar.alarm ? alarm : bar.proofed ? proofed : open) ?? '';
    context.fillRect(bar.x, y(bar.speed), bar.width, ground - y(bar.speed));
    // Proofed has a mark of its own, so that it is not told by colour alone.
    if (bar.proofed) context.fillRect(bar.x, ground + 1, bar.width, 2);
  }
  context.strokeStyle = colour('ink');
  context.setLineDash([3, 3]);
  context.beginPath();
  context.moveTo(0, y(limit) + 0.5);
  context.lineTo(width, y(limit) + 0.5);
  context.stroke();
  context.setLineDash([]);
  const inSight = painting.view ?? painting.cursor;
  if (inSight) {
    const x = (inSight.start / length) * width;
    const w = Math.max(3, ((inSight.end - inSight.start) / length) * width);
    context.fillStyle = colour('water-wash');
    context.fillRect(x, 1, w, ground - 1);
    context.strokeStyle = colour('water');
    context.strokeRect(x - 0.5, 1.5, w + 1, ground - 2);
  }
  if (painting.view && painting.cursor) {
    const x = (painting.cursor.start / length) * width;
    context.fillStyle = colour('ink');
    context.fillRect(x, 2, Math.max(3, ((painting.cursor.end - painting.cursor.start) / length) * width), 3);
  }
  context.fillStyle = colour('soft');
  context.font = `13px ${colour('figures')}`;
  for (const at of clockTicks(length, width))
    context.fillText(formatClock(at, { fraction: '.', hours: 'always', digits: 0 }), (at / length) * width, height - 3);
  context.fillStyle = colour('sun');
  context.fillRect((painting.playhead / length) * width - 1, 0, 2, height);
}
