/** `fenwix place`: captions, or a bare text, placed where their words are said. */
import { plural } from '../core/text/plural.ts';
import { median } from 'd3-array';
import { withIds } from '../core/formats/cue.ts';
import { lossInWords } from '../core/formats/loss.ts';
import { reflow } from '../core/layout/reflow.ts';
import { engineRate } from '../core/audio/align/engine.ts';
import { hearerOf, leastShare, listenWith } from '../core/audio/align/listen.ts';
import { placedTrack } from '../core/audio/align/placed-track.ts';
import { placesOf } from '../core/audio/align/placement.ts';
import { scriptOf } from '../core/audio/align/words-to-place.ts';
import { modelFor } from '../core/audio/phones/models.ts';
import { resampled } from '../core/audio/resample.ts';
import { soundReader } from '../core/audio/sound-reader.ts';
import { voiceWeights } from '../core/audio/voice-net.ts';
import { clockFor } from '../core/timing/clock/clock.ts';
import { usualRate } from '../core/timing/clock/frames.ts';
import { CannotDo, takeApart } from './arguments.ts';
import { otherSources } from './context.ts';
import {
  json,
  keepSources,
  readCaptionFile,
  readingOptions,
  styleAsked,
  targetNames,
  targetOf,
  titleOf,
  untimedFlag,
  writeCaptionFile,
} from './files.ts';
import { withSound, type OpenSound } from './sound.ts';
import type { CommandLine, ExitStatus, Terminal } from './terminal.ts';

const usage = `fenwix place --audio FILE (--text FILE | --captions FILE) --language TAG [--style NAME|FILE] OUT [--to ${targetNames}] [--words OUT.ctm] [--json]`;
/** Where speech is in a recording, and its sound at the engine’s rate. */
function hearing(terminal: Terminal, { form, many, samplesAt, eachPiece }: OpenSound) {
  const reader = soundReader(voiceWeights(terminal.voiceNet()));
  eachPiece((samples, at) => reader.push(samples, at, form.rate));
  const sampleAt = (ms: number): number => Math.min(many, Math.max(0, Math.round((ms / 1000) * form.rate)));
  return {
    speech: reader.finish().speech,
    sound: (start: number, end: number): Float32Array =>
      resampled(samplesAt(sampleAt(start), sampleAt(end)), form.rate, engineRate),
  };
}

/** `fenwix place`: captions put where their words are said in a recording. */
export const place: CommandLine = async (words, terminal): Promise<ExitStatus> => {
  const given = takeApart(words, {
    values: [...readingOptions.values, 'audio', 'text', 'captions', 'language', 'words', 'to'],
    flags: [...readingOptions.flags, 'json', 'crlf', untimedFlag],
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
  const sources = [{ path: source, format: file.format }, ...otherSources(given)];
  keepSources(terminal, out, target, sources);
  const wordFile = given.values['words'];
  if (wordFile !== undefined) keepSources(terminal, wordFile, targetOf('ctm', wordFile), sources);
  let made = 0;
  const newId = (): string => String(++made);
  const before = withIds(file.captions, newId);
  const { engine, pronounce } = await terminal.recogniser(model);
  const script = scriptOf(before, language, pronounce);
  if (script.words.length === 0)
    throw new CannotDo(`${source} holds no words that could be said in ${language}. Nothing was written.`);

  const heard = await withSound(terminal, audio, async (opened) => {
    const { speech, sound } = hearing(terminal, opened);
    const hearer = hearerOf({ engine, pronounce, script }, sound);
    const { placed, share } = await listenWith([hearer], script, speech, opened.length);
    return { placed, share, speech };
  });
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
  const { losses } = writeCaptionFile(terminal, out, target, sheet, given);
  if (wordFile !== undefined) writeCaptionFile(terminal, wordFile, targetOf('ctm', wordFile), sheet, given);

  const say = out === '-' ? terminal.mutter : terminal.say;
  if (given.flags.has('json'))
    say(json({ moved: track.moved.length, left, median: middle === undefined ? null : Math.round(middle) }));
  else {
    const clock = clockFor(before.at(-1)?.end ?? 0);
    for (const { start, why } of left) say(`  ${clock(start)}  left where it is: ${why}\n`);
    say(
      `${plural(track.moved.length, 'caption')} placed, ${plural(left.length, 'caption')} left; ${(heard.share * 100).toFixed(0)} % of the words were surely heard\n`,
    );
    if (model.isApproximate) terminal.mutter(`There is no model for ${language}: places are about right.\n`);
    if (losses.length > 0) terminal.mutter(`${target.title} does not hold: ${lossInWords(losses)}.\n`);
  }
  return 0;
};
