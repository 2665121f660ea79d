/** `fenwix regions`: where speech and other sound is in a recording. */
import { soundReader } from '../core/speech/sound-reader.ts';
import type { Regions } from '../core/speech/regions.ts';
import { voiceWeights } from '../core/speech/voice-net.ts';
import { wavForm, wavSamples, wavStep } from '../core/speech/wav.ts';
import { clockFor } from '../core/time/clock.ts';
import { CannotDo, takeApart } from './arguments.ts';
import { counted, json, oneFile } from './files.ts';
import type { CommandLine, OpenFile, Terminal } from './terminal.ts';

/** So much of a file holds its header, and so much is read at a time, in bytes. */
const [headBytes, pieceBytes] = [65_536, 1 << 20];

/** What is heard in a WAV file, a piece at a time; null where it is none of plain 16-bit samples. */
function heardInWav(terminal: Terminal, file: OpenFile): { readonly regions: Regions; readonly length: number } | null {
  const form = wavForm(file.read(0, headBytes), file.size);
  if (!form) return null;
  const step = wavStep(form);
  const reader = soundReader(voiceWeights(terminal.voiceNet()));
  const whole = form.bytes - (form.bytes % step);
  const piece = pieceBytes - (pieceBytes % step);
  for (let done = 0; done < whole; done += piece)
    reader.push(
      wavSamples(file.read(form.at + done, Math.min(piece, whole - done)), form),
      done / step / form.rate,
      form.rate,
    );
  return { regions: reader.finish(), length: Math.round((whole / step / form.rate) * 1000) };
}

/** What is heard in a recording. @throws {CannotDo} where nothing here can read it */
export function listen(terminal: Terminal, path: string): { readonly regions: Regions; readonly length: number } {
  const heard = terminal.open(path, (file) => heardInWav(terminal, file));
  if (heard) return heard;
  const converted = terminal.asWav(path, (file) => heardInWav(terminal, file));
  if (!converted)
    throw new CannotDo(
      `The sound of ${path} could not be read. WAV files of 16-bit samples are read by themselves, other kinds where ffmpeg is installed and knows them.`,
    );
  return converted;
}

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
    `${path}: ${clock(length)}, ${counted(found.speech.length, 'stretch of speech', 'stretches of speech')}\n`,
  );
  const all = [
    ...found.speech.map((s) => ({ ...s, what: 'speech' })),
    ...found.sound.map((s) => ({ ...s, what: 'other sound' })),
  ];
  for (const { start, end, what } of all.sort((a, b) => a.start - b.start))
    terminal.say(`${clock(start)} – ${clock(end)}  ${what}\n`);
  return 0;
};
