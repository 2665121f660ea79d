/** Paints the skyline on two canvases, one over the other, in the colours of the page’s theme. */
import { formatClock } from '../../../core/timing/clock/clock.ts';
import type { Stretch } from '../../../core/audio/regions.ts';
import type { Drift } from '../../../core/timing/drag/drift.ts';
import { wiped } from '../../ui/theme/canvas.ts';
import { barsOf, clockTicks, type Bar, type Scene } from './bars.ts';

export interface SkylineSettings extends Scene {
  /** In pixels. */
  readonly height: number;
  /** The limit of the reading speed, in characters per second. */
  readonly limit: number;
  /** Where somebody speaks; null while that is not known. */
  readonly speech: readonly Stretch[] | null;
  /** The part that is to be captioned; null for all of it. */
  readonly stretch: Stretch | null;
  /** How early or late captions are, in place of their speed; null where that is not asked for. */
  readonly drift: readonly Drift[] | null;
}

/** What moves over the bars. */
export interface Marks {
  /** Length of the whole strip in ms. */
  readonly length: number;
  /** In pixels. */
  readonly width: number;
  readonly height: number;
  /** The cursor caption's stretch, in ms; null where there is none. */
  readonly cursor: { readonly start: number; readonly end: number } | null;
  /** What the stage shows of the track, in ms; null where it shows none of it. */
  readonly view: { readonly start: number; readonly end: number } | null;
}

const foot = 20;
/** What is further off than this is drawn at the edge, in ms. */
const mostDrift = 2000;

type Token = (name: string) => string;

/** Where a caption is that is not timed: nobody has said yet that it belongs there. */
function outline(
  context: CanvasRenderingContext2D,
  colour: string,
  { x, width }: Bar,
  top: number,
  ground: number,
): void {
  context.save();
  context.strokeStyle = colour;
  context.setLineDash([2, 2]);
  context.strokeRect(x + 0.5, Math.round(top) + 0.5, Math.max(1, width - 1), ground - Math.round(top) - 1);
  context.restore();
}

/** How fast each caption is, under the limit or over it. */
function paintSpeeds(context: CanvasRenderingContext2D, token: Token, scene: SkylineSettings, ground: number): void {
  const { width, limit } = scene;
  const top = 6;
  const most = limit * 1.6;
  const y = (speed: number): number => ground - Math.max(2, (Math.min(speed, most) / most) * (ground - top));
  context.fillStyle = token('reed-wash');
  context.globalAlpha = 0.5;
  context.fillRect(0, y(limit), width, ground - y(limit));
  context.globalAlpha = 1;
  const [alarm, proofed, open] = ['alarm', 'reed', 'reed-pale'].map(token);
  for (const bar of barsOf(scene)) {
    context.fillStyle = (bar.alarm ? alarm : bar.proofed ? proofed : open) ?? '';
    if (bar.hollow) outline(context, token('soft'), bar, y(bar.speed), ground);
    else context.fillRect(bar.x, y(bar.speed), bar.width, ground - y(bar.speed));
    // Proofed has a mark of its own, so that it is not told by colour alone.
    if (bar.proofed) context.fillRect(bar.x, ground + 1, bar.width, 2);
  }
  context.strokeStyle = token('ink');
  context.setLineDash([3, 3]);
  context.beginPath();
  context.moveTo(0, y(limit) + 0.5);
  context.lineTo(width, y(limit) + 0.5);
  context.stroke();
  context.setLineDash([]);
}

/** How early captions are, above the line, or how late, below it. */
function paintDrift(
  context: CanvasRenderingContext2D,
  token: Token,
  drift: readonly Drift[],
  { width, length }: Scene,
  ground: number,
): void {
  const middle = ground / 2;
  const y = (by: number): number => middle + (Math.max(-mostDrift, Math.min(mostDrift, by)) / mostDrift) * (middle - 5);
  context.strokeStyle = token('rule');
  context.beginPath();
  context.moveTo(0, middle);
  context.lineTo(width, middle);
  context.stroke();
  context.strokeStyle = token('water');
  context.beginPath();
  for (const { at, by } of drift) context.lineTo((at / length) * width, y(by));
  context.stroke();
  for (const { at, by } of drift) {
    context.fillStyle = token(Math.abs(by) > mostDrift / 4 ? 'alarm' : 'water');
    context.fillRect((at / length) * width - 1.5, y(by) - 1.5, 3, 3);
  }
}

/** Paints what stands still: the bars, the limit and the clock. */
export function paintGround(canvas: HTMLCanvasElement, scene: SkylineSettings): void {
  const { width, height, length } = scene;
  const sheet = wiped(canvas, width, height);
  if (!sheet) return;
  const { context, token } = sheet;
  const ground = height - foot;
  if (scene.drift) paintDrift(context, token, scene.drift, scene, ground);
  else paintSpeeds(context, token, scene, ground);
  context.fillStyle = token('sound');
  for (const { start, end } of scene.speech ?? [])
    context.fillRect((start / length) * width, ground + 4, Math.max(0.5, ((end - start) / length) * width), 2);
  if (scene.stretch) {
    // What is not to be captioned recedes.
    context.fillStyle = token('ground');
    context.globalAlpha = 0.8;
    const [from, to] = [(scene.stretch.start / length) * width, (scene.stretch.end / length) * width];
    context.fillRect(0, 0, from, ground + 8);
    context.fillRect(to, 0, width - to, ground + 8);
    context.globalAlpha = 1;
  }
  context.fillStyle = token('soft');
  context.font = `13px ${token('figures')}`;
  for (const at of clockTicks(length, width))
    context.fillText(formatClock(at, { fraction: '.', hours: 'always', digits: 0 }), (at / length) * width, height - 3);
}

/** Paints what goes along with the work: what is in sight and the cursor caption. */
export function paintMarks(canvas: HTMLCanvasElement, { width, height, length, ...marks }: Marks): void {
  const sheet = wiped(canvas, width, height);
  if (!sheet) return;
  const { context, token } = sheet;
  const ground = height - foot;
  const inSight = marks.view ?? marks.cursor;
  if (inSight) {
    const x = (inSight.start / length) * width;
    const w = Math.max(3, ((inSight.end - inSight.start) / length) * width);
    context.fillStyle = token('water-wash');
    context.fillRect(x, 1, w, ground - 1);
    context.strokeStyle = token('water');
    context.strokeRect(x - 0.5, 1.5, w + 1, ground - 2);
  }
  if (marks.view && marks.cursor) {
    const x = (marks.cursor.start / length) * width;
    context.fillStyle = token('ink');
    context.fillRect(x, 2, Math.max(3, ((marks.cursor.end - marks.cursor.start) / length) * width), 3);
  }
}
