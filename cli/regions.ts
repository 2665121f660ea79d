/** `fenwix regions`: where speech and other sound is in a recording. */
import { plural } from '../core/text/plural.ts';
import { soundReader } from '../core/audio/sound-reader.ts';
import type { Regions } from '../core/audio/regions.ts';
import { voiceWeights } from '../core/audio/voice-net.ts';
import { clockFor } from '../core/timing/clock/clock.ts';
import { takeApart } from './arguments.ts';
import { json, oneFile } from './files.ts';
import { withSound } from './sound.ts';
import type { CommandLine, Terminal } from './terminal.ts';

/** What is heard in a recording. @throws {CannotDo} where nothing here can read it */
export const listen = (terminal: Terminal, path: string): { readonly regions: Regions; readonly length: number } =>
  withSound(terminal, path, ({ form, length, eachPiece }) => {
    const reader = soundReader(voiceWeights(terminal.voiceNet()));
    eachPiece((samples, at) => reader.push(samples, at, form.rate));
    return { regions: reader.finish(), length };
  });

/** `fenwix regions`: where speech and other sound are in a recording. */
export const regions: CommandLine = (words, terminal) => {
  const given = takeApart(words, { values: [], flags: ['json'] });
  const path = oneFile(given.files, 'fenwix regions FILE [--json]');
  const { regions: found, length } = listen(terminal, path);
  if (given.flags.has('json')) {
    terminal.say(json({ length, ...found }));
    return 0;
  }
  const clock = clockFor(length);
  terminal.say(
    `${path}: ${clock(length)}, ${plural(found.speech.length, 'stretch of speech', 'stretches of speech')}\n`,
  );
  const all = [
    ...found.speech.map((s) => ({ ...s, what: 'speech' })),
    ...found.sound.map((s) => ({ ...s, what: 'other sound' })),
  ];
  for (const { start, end, what } of all.sort((a, b) => a.start - b.start))
    terminal.say(`${clock(start)} – ${clock(end)}  ${what}\n`);
  return 0;
};
