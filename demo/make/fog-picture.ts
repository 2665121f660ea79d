/** Pictures of *Fog signals*: a boat in fog, upright, drawn a frame at a time into raw RGB. */
import { canvasOf } from './canvas.ts';
import type { Placed } from './sound.ts';

export const fogSize = { width: 540, height: 960 };

export function fogPainter(placed: Placed, frameRate: number): (n: number) => Uint8Array {
  const { width, height } = fogSize;
  const { frame, rect, disc } = canvasOf(width, height);
  return (n) => {
    const time = (n * 1000) / frameRate;
    const sounding = placed.sounds.some((s) => time >= s.start && time < s.end);
    for (let y = 0; y < height; y += 8) {
      const grey = 150 + Math.round(26 * Math.sin(y / 170 + n / 90));
      rect(0, y, width, 8, y < 600 ? [grey, grey + 6, grey + 8] : [grey - 62, grey - 44, grey - 40]);
    }
    const bob = Math.round(Math.sin(n / 16) * 6);
    rect(130, 560 + bob, 280, 66, [98, 84, 80]);
    rect(200, 500 + bob, 130, 62, [128, 112, 104]);
    rect(222, 516 + bob, 26, 24, [238, 214, 160]);
    rect(282, 516 + bob, 26, 24, [238, 214, 160]);
    disc(404, 540 + bob, 54, [250, 240, 210], 0.6);
    if (sounding)
      for (let ring = 0; ring < 3; ring++)
        disc(404, 540 + bob, 60 + ((n * 5 + ring * 60) % 180), [246, 250, 250], 0.35);
    for (let i = 0; i < 7; i++) {
      const x = ((n * (1 + (i % 3)) + i * 173) % (width + 320)) - 320;
      disc(x + 160, 300 + i * 90, 150, [214, 220, 220], 0.5);
    }
    return frame;
  };
}
