/** A transcript as plain text: paragraphs, with time marks and speakers or without. */
import type { Sheet, WriteOptions } from '../sheet.ts';
import { wholeClock } from '../../timing/clock/clock.ts';
import type { Format, Writer } from '../format.ts';
import { Unreadable } from '../format.ts';
import { plainInline } from '../inline.ts';
import { firstLines, linesOfText } from '../lines.ts';
import { lossesOf, onlyWords } from '../loss.ts';
import { captionsOfParagraphs, passagesOf, timeMark, type Paragraph } from './paragraphs.ts';

const content = (text: string): Paragraph['content'] => ({ ...plainInline(text), words: [] });

/** Paragraphs: parted by blank lines where there are any, else one a line; a time mark always begins one. */
function paragraphsOf(text: string): Paragraph[] {
  const lines = linesOfText(text);
  const byBlank = lines.some(
    (l, i) => l.trim() === '' && i > 0 && lines.slice(i + 1, i + 3).some((m) => m.trim() !== ''),
  );
  const out: { line: number; text: string }[] = [];
  let open = false;
  lines.forEach((line, i) => {
    const plain = line.trim();
    const last = out.at(-1);
    if (plain === '') open = false;
    else if (open && last && byBlank && !timeMark(plain)) last.text += ` ${plain}`;
    else {
      out.push({ line: i + 1, text: plain });
      open = true;
    }
  });
  return out.map((p) => ({ line: p.line, content: content(p.text) }));
}

const unspaced =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]/u;

/** Whether a text is something people would say: letters and spaces for the most part, words of a usual length. */
function isProse(text: string): boolean {
  const sample = text.slice(0, 4000);
  const letters = sample.match(/[\p{L}\p{M}\p{N}]/gu)?.length ?? 0;
  const usual = sample.match(/[\p{L}\p{M}\p{N}\s.,;:!?'’“”"()[\]\-–—…¿¡。、，！？♪]/gu)?.length ?? 0;
  const all = Array.from(sample).length;
  const words = sample.match(/[\p{L}\p{M}]{2,}/gu) ?? [];
  const spaces = sample.match(/\s/g)?.length ?? 0;
  // Letters without end and hardly a space are data written down, save in scripts that need no spaces.
  const parted = unspaced.test(sample) || (spaces >= all * 0.05 && words.every((w) => w.length <= 45));
  return words.length > 0 && usual >= all * 0.95 && letters >= all * 0.5 && parted;
}

/** Signs of formats with a syntax of their own, none of which is a transcript. */
const otherwise = /^\s*[{[]\s*["{[\]}]|^\s*<[!?/a-z]|-->|^\s*(?:function|import|const|#include)\b/i;
/** A line as programs have them, whatever stands above it. */
const program = /^(?:import|export) .* from ['"]|^(?:const|let|var) \w+ =|^#include [<"]/m;

function write(sheet: Sheet, options: WriteOptions): string {
  return passagesOf(sheet.captions)
    .map(({ start, speaker, content: { text } }) => {
      const mark = options.timeMarks ? `[${wholeClock(start)}] ` : '';
      const name = speaker === '' ? '' : `${speaker.toUpperCase()}: `;
      return `${mark}${name}${text.trim().replace(/ {2,}/g, ' ')}\n`;
    })
    .join('\n');
}

const writer: Writer = {
  write,
  // A speaker's name is written before the words.
  losses: (sheet) => lossesOf(sheet, { ...onlyWords, dialect: { mark: () => null, voice: () => ['', ''] } }),
};

export const transcriptText: Format = {
  name: 'txt',
  title: 'Transcript',
  extension: '.txt',
  mediaType: 'text/plain',
  detect(text) {
    const head = firstLines(text).slice(0, 5).join('\n');
    return !otherwise.test(head) && !program.test(head) && isProse(text) ? 0.1 : 0;
  },
  read(text, { style }) {
    const paragraphs = paragraphsOf(text);
    if (paragraphs.length === 0) throw new Unreadable('There are no words in this file.');
    return {
      format: 'txt',
      language: null,
      captions: captionsOfParagraphs(paragraphs, style),
      warnings: [],
      foreign: null,
    };
  },
  writer,
};
