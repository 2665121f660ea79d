/**
 * The spoken script of the demo recording *Working a lock after dark*.
 *
 * Each cue is one sentence, said by one synthetic voice, preceded by a pause. The places and
 * roles are made up: Tollen Reach is the invented waterway of the demo.
 */
import type { DemoScript, SoundCue, SpokenCue } from './script.ts';

const spoken: readonly SpokenCue[] = [
  { voice: 'trainer', pause: 1500, text: 'Welcome to night school, part three.' },
  { voice: 'trainer', pause: 450, text: 'Tonight we work a lock after dark.' },
  {
    voice: 'trainer',
    pause: 700,
    text: 'At the Tollen Reach flight, the keeper checks both gates before she lifts a paddle.',
  },
  { voice: 'keeper', pause: 650, text: 'Never open it faster than one turn a second, whatever the queue.' },
  { voice: 'keeper', pause: 3300, text: 'We keep the lower gates shut until the chamber is level.' },
  { voice: 'keeper', pause: 420, text: 'If the lantern is red, you wait.' },
  { voice: 'keeper', pause: 300, text: 'You do not wave.' },
  { voice: 'trainer', pause: 900, text: 'Why is the lamp so important?' },
  { voice: 'keeper', pause: 380, text: 'Because a boat at night sees only the lamp.' },
  { voice: 'keeper', pause: 350, text: 'The gate, the wall and the keeper are all the same black.' },
  { voice: 'trainer', pause: 1100, text: 'There are three lamps to learn.' },
  { voice: 'trainer', pause: 320, text: 'Red means the chamber is filling or draining.' },
  { voice: 'trainer', pause: 300, text: 'White means the gate is yours.' },
  { voice: 'trainer', pause: 300, text: 'And no light at all means stop where you are and sound your horn.' },
  { voice: 'keeper', pause: 3000, text: 'One long note, like that.' },
  { voice: 'keeper', pause: 350, text: 'Then count to thirty before you sound it again.' },
  { voice: 'trainer', pause: 1200, text: 'Now watch the water in the chamber.' },
  { voice: 'trainer', pause: 500, text: 'It rises two metres in six minutes.' },
  { voice: 'trainer', pause: 350, text: 'That is slow for a reason.' },
  {
    voice: 'keeper',
    pause: 450,
    text: 'A rope that was tight at the bottom is slack at the top, so somebody has to tend it all the way up.',
  },
  { voice: 'trainer', pause: 1000, text: 'Here is the keeper, quickly, on what goes wrong.' },
  {
    voice: 'keeper',
    pause: 300,
    stretch: 0.72,
    text: 'People leave a paddle up, people tie the stern too short, people walk on the gate while it moves, and nobody looks behind them.',
  },
  {
    voice: 'keeper',
    pause: 200,
    stretch: 0.72,
    text: 'Check the paddles, check the ropes, check the gate, then look behind you and check them all again.',
  },
  { voice: 'trainer', pause: 1400, text: 'Thank you.' },
  { voice: 'trainer', pause: 350, text: 'Say the last part again, slowly.' },
  { voice: 'keeper', pause: 500, stretch: 1.1, text: 'Paddles, ropes, gate, behind you.' },
  { voice: 'trainer', pause: 900, text: 'A boat that comes down full needs more water than you think.' },
  { voice: 'trainer', pause: 350, text: 'The weir at Alder Hall runs all night to make it good.' },
  { voice: 'keeper', pause: 2600, text: 'You can hear it from the bridge.' },
  { voice: 'keeper', pause: 350, text: 'When the sound drops, ring the office, because a sluice has stuck.' },
  { voice: 'trainer', pause: 900, text: 'Signal back with the white lamp, never with the horn at night.' },
  { voice: 'keeper', pause: 400, text: 'There are people asleep in the cottages.' },
  { voice: 'trainer', pause: 900, text: 'How long should a crew practise before they go alone?' },
  { voice: 'keeper', pause: 500, text: 'Ten nights with somebody, then one night with me watching.' },
  { voice: 'keeper', pause: 350, text: 'After that you may have the key to the windlass box.' },
  { voice: 'trainer', pause: 1000, text: 'So, to finish.' },
  {
    voice: 'trainer',
    pause: 300,
    text: 'Both gates closed, all four paddles down, the lamp left burning, and the time written in the book.',
  },
  { voice: 'keeper', pause: 450, text: 'And a dry pair of socks.' },
  { voice: 'trainer', pause: 600, text: 'Good night, and mind the edge.' },
];

const sounds: readonly SoundCue[] = [
  { kind: 'water', before: 4, note: 'water rushing', length: 2700 },
  { kind: 'horn', before: 14, note: 'long horn note', length: 2200 },
  { kind: 'water', before: 28, note: 'weir roaring', length: 2200 },
];

/** Text shown inside the picture, over these sentences (first and last index). */
export const lowerThirds: readonly {
  readonly from: number;
  readonly to: number;
  readonly title: string;
  readonly role: string;
}[] = [
  { from: 2, to: 3, title: 'Tollen Reach flight', role: 'Lock 3 of 5, looking upstream' },
  { from: 19, to: 22, title: 'The night keeper', role: 'Tollen Reach Navigation Trust' },
];

/** Silence after the last sentence, in ms. */
const tail = 4200;

export const lockAfterDark: DemoScript = {
  name: 'lock-after-dark',
  title: 'Working a lock after dark',
  language: 'en-GB',
  spoken,
  sounds,
  tail,
};
