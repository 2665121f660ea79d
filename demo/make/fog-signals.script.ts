/** The spoken script of the demo recording *Fog signals*: half a minute, upright, for a social feed. */
import type { DemoScript } from './script.ts';

export const fogSignals: DemoScript = {
  name: 'fog-signals',
  title: 'Fog signals',
  language: 'en-GB',
  spoken: [
    { voice: 'keeper', pause: 700, text: 'Fog on the Reach, and you cannot see the bow.' },
    { voice: 'keeper', pause: 350, text: 'Three things to remember.' },
    { voice: 'keeper', pause: 400, text: 'One long note every minute means I am moving.' },
    { voice: 'keeper', pause: 2900, text: 'Two long notes mean I have stopped.' },
    { voice: 'keeper', pause: 350, text: 'And a bell, rung fast, means I am aground.' },
    { voice: 'keeper', pause: 450, text: 'If you hear a bell ahead, go slow and go wide.' },
    { voice: 'keeper', pause: 350, text: 'If you hear nothing at all, tie up and put the kettle on.' },
    { voice: 'keeper', pause: 450, text: 'No boat was ever late enough to be worth a swim.' },
  ],
  sounds: [{ kind: 'horn', before: 3, note: 'long horn note', length: 2300 }],
  tail: 2500,
};
