/** Pictures of the demo recording: a lock at night, drawn a frame at a time into raw RGB. */
import { canvasOf, type Rgb } from './canvas.ts';
import type { Placed } from './sound.ts';

export const width = 1280;
export const height = 720;
export const frameRate = 25;

const lampColours: Readonly<Record<'red' | 'white' | 'amber', Rgb>> = {
  red: [224, 58, 40],
  white: [250, 246, 226],
  amber: [242, 190, 84],
};

/** What is lit and moving while a sentence is said, so that the picture follows the words. */
function scene(text: string): { lamp: Rgb | null; boat: boolean } {
  const low = text.toLowerCase();
  const lamp = low.includes('no light')
    ? null
    : low.includes('white')
      ? lampColours.white
      : /red|wait|never|stop/.test(low)
        ? lampColours.red
        : lampColours.amber;
  return { lamp, boat: /boat|rope|horn|count|people|paddles/.test(low) };
}

/** A painter of frames: `paint(n)` gives frame n as width x height RGB. The buffer is used again for each frame. */
export function painter(placed: Placed): (n: number) => Uint8Array {
  const { frame, rect, disc } = canvasOf(width, height);
  for (let y = 0; y < height; y++) {
    const band = Math.floor(y / 24) / 18;
    rect(0, y, width, 1, y < 432 ? [12 + band * 8, 26 + band * 22, 44 + band * 26] : [14, 34, 32]);
  }
  for (let i = 0; i < 46; i++) rect((i * 397) % width, (i * 211) % 300, 2, 2, [120, 140, 150]);
  rect(0, 412, 190, 120, [16, 30, 32]);
  rect(24, 352, 110, 70, [20, 38, 40]);
  rect(56, 380, 16, 20, [214, 170, 90]);
  rect(0, 470, 300, 250, [34, 46, 46]);
  rect(980, 470, 300, 250, [34, 46, 46]);
  disc(1010, 130, 42, [233, 222, 186]);
  const still = frame.slice();
  let lastScene = scene('');
  let boatX = -260;
  return (n) => {
    const t = (n * 1000) / frameRate;
    const index = placed.sentences.findIndex((s) => t >= s.start - 200 && t < s.end + 200);
    const said = placed.sentences[index];
    if (said) lastScene = scene(said.text);
    const share = t / placed.length;
    const sounding = placed.sounds.find((s) => t >= s.start && t < s.end);
    frame.set(still);
    const level = 640 - 120 * Math.min(1, Math.max(0, (share - 0.1) / 0.7));
    rect(300, level, 680, height - level, [30, 92, 122]);
    const pace = sounding?.note.includes('water') || sounding?.note.includes('weir') ? 9 : 2;
    for (let i = 0; i < 9; i++) {
      const drift = (n * pace * (i % 2 ? 1 : -1) * 0.5 + i * 151) % 620;
      rect(320 + (drift < 0 ? drift + 620 : drift), level + 10 + i * 11, 44, 3, [62, 134, 160]);
    }
    const target = lastScene.boat ? 520 : -260;
    boatX += (target - boatX) * 0.012;
    if (boatX > -250) {
      const bob = Math.round(Math.sin(n / 14) * 3);
      rect(boatX, level - 46 + bob, 240, 46, [86, 38, 32]);
      rect(boatX + 60, level - 84 + bob, 110, 40, [124, 62, 48]);
      rect(boatX + 80, level - 74 + bob, 22, 18, [236, 200, 120]);
      rect(boatX + 125, level - 74 + bob, 22, 18, [236, 200, 120]);
      if (sounding?.note.includes('horn'))
        disc(boatX + 238, level - 60 + bob, 26 + ((n * 3) % 60), [200, 220, 220], 0.5);
    }
    const open = Math.round(96 * Math.max(0, Math.sin((share - 0.15) * Math.PI * 2.4)));
    rect(300 - open, 410, 128, 310, [58, 44, 34]);
    rect(852 + open, 410, 128, 310, [58, 44, 34]);
    rect(268 - open, 398, 190, 16, [92, 70, 52]);
    rect(822 + open, 398, 190, 16, [92, 70, 52]);
    rect(0, 470, 300, 250, [34, 46, 46]);
    rect(980, 470, 300, 250, [34, 46, 46]);
    rect(1098, 250, 10, 222, [60, 72, 70]);
    if (lastScene.lamp) {
      disc(1103, 240, 120 + Math.sin(n / 9) * 6, lastScene.lamp, 0.45);
      disc(1103, 240, 24, lastScene.lamp);
    } else disc(1103, 240, 24, [40, 50, 50]);
    if (said?.speaker === 'Keeper') {
      const sway = Math.round(Math.sin(n / 10) * 4);
      rect(172, 372, 44, 100, [22, 30, 34]);
      disc(194, 352, 22, [150, 112, 84]);
      rect(168, 330, 52, 12, [30, 40, 46]);
      disc(232 + sway, 416, 44, lampColours.amber, 0.5);
      disc(232 + sway, 416, 9, lampColours.amber);
    }
    return frame;
  };
}
