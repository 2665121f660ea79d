/** The spoken script of the demo recording *The keeper’s round*: a night’s walk along the Reach, sound only. */
import type { DemoScript, SoundCue, SpokenCue } from './script.ts';

interface Stop {
  readonly place: string;
  readonly gauge: string;
  readonly trend: string;
  readonly said: readonly string[];
  readonly asked: string;
  readonly answer: string;
}

const stops: readonly Stop[] = [
  {
    place: 'the tail of the flight',
    gauge: 'one metre sixty',
    trend: 'steady since noon',
    said: [
      'The mooring rings are dry, and nobody has tied to the ladder.',
      'I count four boats, all of them dark, and one dog that knows me.',
      'The notice about the stoppage has come loose again, so I pin it back.',
    ],
    asked: 'Who reads a notice at night?',
    answer: 'Nobody, but they will ask me in the morning why it was not there.',
  },
  {
    place: 'lock one',
    gauge: 'one metre forty',
    trend: 'down a finger since noon',
    said: [
      'The bottom gates weep a little at the mitre, which they have done since spring.',
      'I put my hand flat on the timber and feel for the shake.',
      'No shake, so it is only the seal, and it goes in the book as a leak of the second kind.',
    ],
    asked: 'What is a leak of the first kind?',
    answer: 'One that you can hear from the cottage.',
  },
  {
    place: 'the side pond',
    gauge: 'ninety centimetres',
    trend: 'up since the last boat',
    said: [
      'There is a branch across the screen, and weed behind the branch.',
      'I rake it to the left, because the right bank is soft and I have been in once already this year.',
      'Under the weed there is a boot, a left one, quite good.',
    ],
    asked: 'Do you keep what you find?',
    answer: 'I keep it on the wall for a month, and then it goes to the yard.',
  },
  {
    place: 'lock two',
    gauge: 'one metre fifty',
    trend: 'steady',
    said: [
      'Both top paddles are down, and the pawls are over.',
      'Somebody has left a windlass on the balance beam, where it can be kicked into the cut.',
      'I hang it in the box and write down the time, ten past eleven.',
    ],
    asked: 'Why write down a windlass?',
    answer: 'Because the crew will come back for it, and they will say that they never left it.',
  },
  {
    place: 'the wooden bridge',
    gauge: 'two metres ten',
    trend: 'up four centimetres in an hour',
    said: [
      'The handrail moves more than it did on Sunday.',
      'Three bolts are tight, and the fourth turns in my fingers.',
      'I put a ribbon round it, so that the carpenter finds it without me.',
    ],
    asked: 'Is it safe to walk on?',
    answer: 'For one at a time, yes, and for a cart, not before it is mended.',
  },
  {
    place: 'lock three',
    gauge: 'one metre fifty five',
    trend: 'up with the rest',
    said: [
      'This is the one that we use for teaching, so it is always the cleanest.',
      'The red lamp is lit, as it should be, and the white one is cold.',
      'I trim the wick and fill the can to the line.',
    ],
    asked: 'How long does a full can burn?',
    answer: 'Fourteen hours in still air, and eleven when it blows.',
  },
  {
    place: 'the long pound',
    gauge: 'one metre eighty',
    trend: 'rising slowly',
    said: [
      'There is a heron on the towpath, standing on one leg as if he paid for it.',
      'The bank has slipped by a hand at the third willow.',
      'I push in two sticks and tie a string between them, and tomorrow we shall see if it has moved.',
    ],
    asked: 'And if it has?',
    answer: 'Then we drop the pound by thirty and call out the clay gang.',
  },
  {
    place: 'the feeder',
    gauge: 'sixty centimetres',
    trend: 'brown, and faster than at dusk',
    said: [
      'Brown water means that it is raining in the hills, whatever the sky says here.',
      'I open the bypass by six turns and count them out loud.',
      'Six turns, and the noise changes from a hiss to a roar.',
    ],
    asked: 'Why count out loud?',
    answer: 'So that the recorder knows, and so that I do.',
  },
  {
    place: 'lock four',
    gauge: 'one metre sixty five',
    trend: 'up two centimetres',
    said: [
      'A boat has come in since supper, sixty feet, with a light in the galley.',
      'They have tied the stern too short for water that is rising.',
      'I knock twice, and a very sleepy man lets it out by a yard.',
    ],
    asked: 'Was he pleased?',
    answer: 'He will be, when he is still level at breakfast.',
  },
  {
    place: 'the culvert',
    gauge: 'forty centimetres under the crown',
    trend: 'rising',
    said: [
      'I lie on my stomach to look, which is the only way to do it.',
      'There is a clear hand of air all along, and no branches.',
      'The brick by the keystone is still out, and still in the book.',
    ],
    asked: 'How long has it been in the book?',
    answer: 'Seven years, and it has not moved in any of them.',
  },
  {
    place: 'Alder Hall weir',
    gauge: 'one metre twenty over the sill',
    trend: 'up ten since dusk',
    said: [
      'You have to shout here, so I shall keep it short.',
      'All five gates are free, and the chain on the third one is new.',
      'I lift the second and the fourth by two teeth each.',
    ],
    asked: 'Why not the third?',
    answer: 'Because the eels go up by the third, and they have paid for their ticket.',
  },
  {
    place: 'the pump house',
    gauge: 'thirty centimetres in the sump',
    trend: 'steady',
    said: [
      'The pump runs for nine minutes and rests for fifteen, which is what it did last week.',
      'I oil the two cups by the door and wipe the glass of the dial.',
      'The dial says twelve, and the chart says eleven and a half.',
    ],
    asked: 'Which of them do you believe?',
    answer: 'The chart, because nobody taps the chart.',
  },
  {
    place: 'lock five',
    gauge: 'one metre seventy',
    trend: 'up three centimetres',
    said: [
      'This is the deepest, and the ladder has twenty two rungs.',
      'Rung nine is loose, so I count down to it and step over.',
      'At the bottom there is a shoal of small fish that do not mind me at all.',
    ],
    asked: 'Do you climb down every night?',
    answer: 'Every night, except when it is full.',
  },
  {
    place: 'the head of the flight',
    gauge: 'two metres twenty five',
    trend: 'up six since the round began',
    said: [
      'I can see the lamps of all five locks from here, one below the other.',
      'Red, red, red, red, and the white one at the bottom for the boat that comes down at six.',
      'The wind has gone round to the west, and it smells of rain.',
    ],
    asked: 'What do you do when it rains?',
    answer: 'The same again, with a hat.',
  },
  {
    place: 'the withy bed',
    gauge: 'eighty centimetres',
    trend: 'up a finger since noon',
    said: [
      'The withies were cut in the winter and they are above my head again.',
      'Something has been at the fence, and I would say a deer, from the height of it.',
      'The path is soft for ten paces here, so I walk on the board.',
    ],
    asked: 'Who laid the board?',
    answer: 'The crew of the dredger, in return for a kettle.',
  },
  {
    place: 'the swing bridge',
    gauge: 'two metres five',
    trend: 'steady since noon',
    said: [
      'The bridge is open to the road, and the wedge is in, as it has to be at night.',
      'I lift the wedge, look at it, and put it back, so that I can say that I have.',
      'The lamp on the road side is dim, which makes the second this week.',
    ],
    asked: 'Can one person swing it?',
    answer: 'One person and a good deal of patience.',
  },
  {
    place: 'the grain quay',
    gauge: 'two metres twenty',
    trend: 'down two fingers since noon',
    said: [
      'Two barges lie here with their hatches on, and the third is away to the mill.',
      'The fenders are old tyres, and one of them has split along the edge.',
      'There is a light in the weighing office, and I knock until somebody says good night.',
    ],
    asked: 'Who weighs grain at night?',
    answer: 'Nobody weighs it, but somebody has to write down what was weighed.',
  },
  {
    place: 'the reed landing',
    gauge: 'one metre ten',
    trend: 'steady since noon',
    said: [
      'The bundles are stacked four high and tied with green cord, ninety six of them.',
      'I do not count them, the cutter has chalked the number on the post.',
      'The boat is turned over on its trestles, and the paint is still wet, as my sleeve can tell you.',
    ],
    asked: 'What are the reeds for?',
    answer: 'Roofs, and the bank below the weir, where nothing else will hold.',
  },
  {
    place: 'the old toll house',
    gauge: 'one metre thirty',
    trend: 'up two fingers since noon',
    said: [
      'The shutters are closed and the bell has no tongue, so I tap the frame instead.',
      'A board on the wall still has the tolls from a hundred years ago.',
      'Coal went through for less than cheese, which I have never understood.',
    ],
    asked: 'Was there much cheese?',
    answer: 'There was a wagon of it every Tuesday, if the book can be believed.',
  },
  {
    place: 'the siphon',
    gauge: 'one metre even',
    trend: 'down a finger since noon',
    said: [
      'The siphon goes under the railway, and you hear it before you can see it.',
      'I listen for a knock, because a branch in the pipe knocks.',
      'Tonight it only hums, and I write down the hum with the time beside it.',
    ],
    asked: 'Why do you write that down?',
    answer: 'So that the night it stops humming, we know how long it had been well.',
  },
  {
    place: 'the nursery pond',
    gauge: 'sixty centimetres',
    trend: 'steady since noon',
    said: [
      'The young eels are counted in the spring, and until then they are left alone.',
      'I keep the torch low here, for they do not like to be looked at.',
      'The screen at the outlet is clean, and I take one leaf off it for luck.',
    ],
    asked: 'How many eels are there?',
    answer: 'Fewer than the heron thinks, and more than I would like to carry.',
  },
  {
    place: 'the office',
    gauge: 'the book',
    trend: 'which is dry, I am glad to say',
    said: [
      'I write down fourteen gauges, two loose bolts, one boot and a windlass.',
      'I ring the yard about the bank, and I ring the hall about the weir.',
      'The next round is at three, and if the feeder has gone clear by then I shall close two turns.',
    ],
    asked: 'And if it has not?',
    answer: 'Then I shall open two more, and wake you.',
  },
];

const told: { readonly cues: readonly SpokenCue[]; readonly sounds: readonly SoundCue[] } = (() => {
  const cues: SpokenCue[] = [
    {
      voice: 'keeper',
      pause: 1200,
      text: 'This is the keeper’s round, the late one, on a night with no moon.',
      say: 'This is the keepers round, the late one, on a night with no moon.',
    },
    { voice: 'keeper', pause: 500, text: 'I walk from the tail of the flight to the office, and I say what I see.' },
    { voice: 'trainer', pause: 700, text: 'I walk behind with the recorder, and I ask what the crews ask me.' },
    {
      voice: 'keeper',
      pause: 600,
      text: 'There are twenty-two stops, and the whole of it takes an hour, with the walking left out of this recording.',
    },
  ];
  const sounds: SoundCue[] = [];
  stops.forEach(({ place, gauge, trend, said, asked, answer }, i) => {
    if (i % 3 === 2)
      sounds.push({ kind: 'water', before: cues.length, note: i % 2 ? 'weir roaring' : 'water rushing', length: 3200 });
    if (i === 8) sounds.push({ kind: 'horn', before: cues.length, note: 'horn, far away', length: 1800 });
    cues.push({
      voice: 'keeper',
      pause: i % 3 === 2 || i === 8 ? 4000 : 2200,
      text: `Stop ${String(i + 1)}, ${place}.`,
    });
    cues.push({ voice: 'keeper', pause: 500, text: `The gauge reads ${gauge}, ${trend}.` });
    said.forEach((text, n) => cues.push({ voice: 'keeper', pause: 450 + 250 * ((i + n) % 3), text }));
    cues.push({ voice: 'trainer', pause: 800, text: asked });
    cues.push({ voice: 'keeper', pause: 420, text: answer });
  });
  cues.push({ voice: 'trainer', pause: 1500, text: 'Thank you for letting me come along.' });
  cues.push({ voice: 'keeper', pause: 600, text: 'Mind the step, it is the only one that I have not mended.' });
  return { cues, sounds };
})();

export const keepersRound: DemoScript = {
  name: 'keepers-round',
  title: 'The keeper’s round',
  language: 'en-GB',
  spoken: told.cues,
  sounds: told.sounds,
  tail: 3000,
};
