/** A frame of raw RGB to draw into. */
export type Rgb = readonly [number, number, number];

export interface Canvas {
  readonly frame: Uint8Array;
  readonly rect: (x: number, y: number, w: number, h: number, colour: Rgb) => void;
  /** With a strength under 1 it is a glow, strongest in its middle. */
  readonly disc: (cx: number, cy: number, radius: number, colour: Rgb, strength?: number) => void;
}

export function canvasOf(width: number, height: number): Canvas {
  const frame = new Uint8Array(width * height * 3);
  return {
    frame,
    rect(x, y, w, h, [r, g, b]) {
      const x0 = Math.max(0, Math.round(x));
      const x1 = Math.min(width, Math.round(x + w));
      const y1 = Math.min(height, Math.round(y + h));
      for (let row = Math.max(0, Math.round(y)); row < y1; row++) {
        for (let k = (row * width + x0) * 3, end = (row * width + x1) * 3; k < end; k += 3) {
          frame[k] = r;
          frame[k + 1] = g;
          frame[k + 2] = b;
        }
      }
    },
    disc(cx, cy, radius, colour, strength = 1) {
      for (let y = Math.max(0, Math.floor(cy - radius)); y < Math.min(height, cy + radius); y++) {
        for (let x = Math.max(0, Math.floor(cx - radius)); x < Math.min(width, cx + radius); x++) {
          const d = Math.hypot(x - cx, y - cy);
          if (d > radius) continue;
          const a = strength < 1 ? strength * (1 - d / radius) : Math.min(1, radius - d);
          const k = (y * width + x) * 3;
          for (let c = 0; c < 3; c++) frame[k + c] = Math.round((frame[k + c] ?? 0) * (1 - a) + (colour[c] ?? 0) * a);
        }
      }
    },
  };
}
