/** `fenwix place`: captions, or a bare text, placed where their words are said. */
import { median } from 'd3-array';
import { withIds } from '../core/formats/cue.ts';
import { lossInWords } from '../core/formats/loss.ts';
import { plainly } from '../core/formats/sheet.ts';
import { formatNamed } from '../core/formats/registry.ts';
import { reflow } from '../core/layout/reflow.ts';
import { engineRate } from '../core/placing/engine.ts';
import { hearerOf, leastShare, listenWith } from '../core/placing/listen.ts';
import { placedTrack } from '../core/placing/placed-track.ts';
import { placesOf } from '../core/placing/placement.ts';
import { scriptOf } from '../core/placing/words-to-place.ts';
import { modelFor } from '../core/pronunciation/models.ts';
import { resampled } from '../core/speech/resample.ts';
import { soundReader } from '../core/speech/sound-reader.ts';
import { voiceWeights } from '../core/speech/voice-net.ts';
import { wavForm, wavSamples, wavStep } from '../core/speech/wav.ts';
import { clockFor } from '../core/time/clock.ts';
import { usualRate } from '../core/time/frames.ts';
import type { Stretch } from '../core/speech/regions.ts';
import { CannotDo, takeApart } from './arguments.ts';
import { counted, json, readCaptionFile, reading, styleAsked, targetNames, targetOf, titleOf } from './files.ts';
import type { CommandLine, Ending, OpenFile, Terminal } from './terminal.ts';

const usage = `fenwix place --audio FILE (--text FILE | --captions FILE) --language TAG [--style NAME|FILE] OUT [--to ${targetNames}] [--words OUT.ctm] [--json]`;
/** So much of a file holds its header, and so much is read at a time, in bytes. */
const [headBytes, pieceBytes] = [65_536, 1 << 20];

/** A WAV file whose stretches can be read one by one. */
interface Recording {
  /** In ms. */
  readonly length: number;
  readonly speech: readonly Stretch[];
  /** 16 kHz. @param start in ms @param end in ms */
  readonly sound: (start: number, end: number) => Float32Array;
}

function recordingOf(terminal: Terminal, file: OpenFile): Recording | null {
  const form = wavForm(file.read(0, headBytes), file.size);
  if (!form) return null;
  const step = wavStep(form);
  const many = Math.floor(form.bytes / step);
  const samplesAt = (from: number, to: number): Float32Array =>
    wavSamples(file.read(form.at + from * step, Math.max(0, to - from) * step), form);
  const reader = soundReader(voiceWeights(terminal.voiceNet()));
  const piece = Math.floor(pieceBytes / step);
  for (let at = 0; at < many; at += piece)
    reader.push(samplesAt(at, Math.min(many, at + piece)), at / form.rate, form.rate);
  return {
    length: Math.round((many / form.rate) * 1000),
    speech: reader.finish().speech,
    sound(start, end) {
      const [from, to] = [start, end].map((ms) => Math.min(many, Math.max(0, Math.round((ms / 1000) * form.rate)))) as [
        number,
        number,
      ];
      const samples = samplesAt(from, to);
      return resampled(samples, form.rate, engineRate);
    },
  };
}

export const place: CommandLine = async (words, terminal): Promise<Ending> => {
  const given = takeApart(words, {
    values: [...reading.values, 'audio', 'text', 'captions', 'language', 'words', 'to'],
    flags: [...reading.flags, 'json', 'crlf'],
  });
  const [out, more] = given.files;
  const { audio, text, captions: from, language } = given.values;
  const source = text ?? from;
  if (
    out === undefined ||
    more !== undefined ||
    audio === undefined ||
    source === undefined ||
    (text !== undefined && from !== undefined) ||
    language === undefined
  )
    throw new CannotDo(`A recording, words and a language were expected: ${usage}`);
  const model = modelFor(language);
  if (!model)
    throw new CannotDo(
      `There is no acoustic model for ${language}: English and French have one, Spanish and German are placed about right with theirs.`,
    );
  const target = targetOf(given.values['to'], out);
  const style = styleAsked(terminal, given.values['style']);
  const file = readCaptionFile(terminal, source, given, style);
  let made = 0;
  const newId = (): string => String(++made);
  const before = withIds(file.captions, newId);
  const { engine, pronounce } = await terminal.recogniser(model);
  const script = scriptOf(before, language, pronounce);
  if (script.words.length === 0)
    throw new CannotDo(`${source} holds no words that could be said in ${language}. Nothing was written.`);

  const listen = async (opened: OpenFile) => {
    const recording = recordingOf(terminal, opened);
    if (!recording) return null;
    const hearer = hearerOf({ engine, pronounce, script }, recording.sound);
    const { placed, share } = await listenWith([hearer], script, recording.speech, recording.length);
    return { placed, share, speech: recording.speech };
  };
  const heard = (await terminal.open(audio, listen)) ?? (await terminal.asWav(audio, listen));
  if (!heard)
    throw new CannotDo(
      `The sound of ${audio} could not be read. WAV files of 16-bit samples are read by themselves, other kinds where ffmpeg is installed and knows them.`,
    );
  if (heard.share < leastShare)
    throw new CannotDo(
      `The words of ${source} and the sound of ${audio} do not match: ${(heard.share * 100).toFixed(0)} % of the words were heard. Another recording, another language, or other words? Nothing was written.`,
    );

  const places = placesOf(before, script, heard.placed, heard.speech);
  const track = placedTrack(before, script, places, 0);
  const isText = text !== undefined;
  const laid = track.captions.filter((c) => !track.left.includes(c.id));
  const after = isText
    ? [
        ...reflow(laid, { style, rate: usualRate, language }, newId),
        ...track.captions.filter((c) => track.left.includes(c.id)),
      ]
    : track.captions;
  const byId = new Map(before.map((c) => [c.id, c]));
  const left = track.left.flatMap((id) => {
    const c = byId.get(id);
    return c ? [{ start: c.start, end: c.end, why: 'its words were not heard, and its neighbours do not agree' }] : [];
  });
  const middle = median(
    track.captions.filter((c) => track.moved.includes(c.id)),
    (c) => c.start - (byId.get(c.id)?.start ?? 0),
  );

  const sheet = { captions: after, title: titleOf(source), language, foreign: file.foreign };
  const written = target.writer.write(sheet, plainly);
  const losses = target.writer.losses(sheet, plainly);
  terminal.write(out, given.flags.has('crlf') ? written.replace(/\n/g, '\r\n') : written);
  const wordFile = given.values['words'];
  const ctm = formatNamed('ctm');
  if (wordFile !== undefined && ctm?.writer) terminal.write(wordFile, ctm.writer.write(sheet, plainly));

  const say = out === '-' ? terminal.mutter : terminal.say;
  if (given.flags.has('json'))
    say(json({ moved: track.moved.length, left, median: middle === undefined ? null : Math.round(middle) }));
  else {
    const clock = clockFor(before.at(-1)?.end ?? 0);
    for (const { start, why } of left) say(`  ${clock(start)}  left where it is: ${why}\n`);
    say(
      `${counted(track.moved.length, 'caption')} placed, ${counted(left.length, 'caption')} left; ${(heard.share * 100).toFixed(0)} % of the words were surely heard\n`,
    );
    if (model.isApproximate) terminal.mutter(`There is no model for ${language}: places are about right.\n`);
    if (losses.length > 0) terminal.mutter(`${target.title} does not hold: ${lossInWords(losses)}.\n`);
  }
  return 0;
};
