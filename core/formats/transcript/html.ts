/** A transcript as an HTML page: paragraphs with `<time>` marks, speakers and inline markup. */
import type { Sheet, WriteOptions } from '../sheet.ts';
import { Parser } from 'htmlparser2';
import { wholeClock } from '../../timing/clock/clock.ts';
import type { Mark } from '../../model/caption.ts';
import { hexColour } from '../colours.ts';
import { Unreadable, type Format, type ReadOptions, type ReadResult, type Writer } from '../format.ts';
import { attributeValue, byExtent, commonTags, writeInline, type Dialect } from '../inline.ts';
import { plainLineEnds } from '../lines.ts';
import { lossesOf, onlyWords } from '../loss.ts';
import { captionsOfParagraphs, passagesOf, type Paragraph } from './paragraphs.ts';
import { own } from '../../text/own.ts';

/** Elements that stand on lines of their own, and so begin and end a paragraph. */
const blocks = new Set(
  'address article aside blockquote body br dd div dl dt footer h1 h2 h3 h4 h5 h6 header hr li main nav ol p pre section table td th tr ul'.split(
    ' ',
  ),
);
/** Elements nobody reads. */
const silent = new Set(['script', 'style', 'head', 'noscript', 'template']);

const marked: Readonly<Record<string, Mark['kind']>> = {
  i: 'italic',
  em: 'italic',
  b: 'bold',
  strong: 'bold',
  u: 'underline',
  ruby: 'ruby',
  rt: 'ruby text',
};

interface OpenElement {
  readonly name: string;
  readonly from: number;
  readonly marks: readonly Pick<Mark, 'kind' | 'value'>[];
}

function marksOf(name: string, attributes: Readonly<Record<string, string>>): OpenElement['marks'] {
  const kind = own(marked, name);
  const colour =
    name === 'font'
      ? attributes['color']
      : /(?:^|;)\s*color\s*:\s*([^;]{1,40})/.exec(attributes['style']?.slice(0, 400) ?? '')?.[1];
  const { lang } = attributes;
  return [
    ...(kind && attributes['class'] !== 'speaker' ? [{ kind, value: '' }] : []),
    ...(colour && hexColour(colour) !== null ? [{ kind: 'colour' as const, value: colour.trim() }] : []),
    ...(lang && !blocks.has(name) && name !== 'html' ? [{ kind: 'language' as const, value: lang }] : []),
  ];
}

/** Elements inside one another up to which a page is read; the parser’s time grows with the square of it. */
const deepest = 5000;

/** Paragraphs of a page, and the language it says it is in. */
function pageOf(source: string): { readonly paragraphs: Paragraph[]; readonly language: string | null } {
  const paragraphs: Paragraph[] = [];
  let language: string | null = null;
  // Put together at its end: a parser gives a text in as many parts as it has odd signs.
  let parts: string[] = [];
  let [many, isAfterSpace] = [0, true];
  let from = 0;
  let hidden = 0;
  let depth = 0;
  let marks: Mark[] = [];
  let open: OpenElement[] = [];
  // The next line break is remembered: a page may be one line of millions of characters.
  let nextBreak = source.indexOf('\n');
  let line = 1;
  const lineOf = (index: number): number => {
    for (; nextBreak >= 0 && nextBreak < index; nextBreak = source.indexOf('\n', nextBreak + 1)) line++;
    return line;
  };
  const close = (tag: OpenElement): void => {
    for (const mark of tag.marks) if (many > tag.from) marks.push({ ...mark, from: tag.from, to: many });
  };
  const flush = (): void => {
    open.forEach(close);
    const text = parts.join('');
    const { length } = text.trimEnd();
    if (length > 0) {
      const inside = marks.map((m) => ({ ...m, to: Math.min(m.to, length) })).filter((m) => m.to > m.from);
      paragraphs.push({
        line: lineOf(from),
        content: { text: text.slice(0, length), marks: inside.sort(byExtent), speakers: [], words: [] },
      });
    }
    [parts, many, isAfterSpace] = [[], 0, true];
    marks = [];
    open = open.map((tag) => ({ ...tag, from: 0 }));
  };
  const parser: Parser = new Parser({
    onopentag(name, attributes) {
      if (++depth > deepest)
        throw new Unreadable(
          `This HTML page has elements inside one another ${String(deepest)} deep and more, which no page for reading has.`,
        );
      if (name === 'html') language = attributes['lang']?.trim() ?? null;
      if (silent.has(name)) hidden++;
      if (blocks.has(name)) flush();
      const found = marksOf(name, attributes);
      if (found.length > 0 && open.length < 64) open.push({ name, from: many, marks: found });
    },
    onclosetag(name) {
      depth--;
      if (silent.has(name)) hidden--;
      const k = open.findLastIndex((tag) => tag.name === name);
      const tag = open[k];
      if (tag) {
        close(tag);
        open.splice(k, 1);
      }
      if (blocks.has(name)) flush();
    },
    ontext(data) {
      if (hidden > 0) return;
      if (many === 0) from = parser.startIndex;
      const folded = data.replace(/[\s\u00a0]+/g, ' ');
      const plain = isAfterSpace && folded.startsWith(' ') ? folded.slice(1) : folded;
      if (plain === '') return;
      parts.push(plain);
      many += plain.length;
      isAfterSpace = plain.endsWith(' ');
    },
  });
  parser.write(source);
  parser.end();
  flush();
  return { paragraphs, language };
}

function read(text: string, { style }: ReadOptions): ReadResult {
  const { paragraphs, language } = pageOf(plainLineEnds(text));
  if (paragraphs.length === 0) throw new Unreadable('This HTML page holds no words.');
  return {
    format: 'html',
    language: language === '' ? null : language,
    captions: captionsOfParagraphs(paragraphs, style),
    warnings: [],
    foreign: null,
  };
}

const dialect: Dialect = {
  encode: attributeValue,
  mark({ kind, value }) {
    switch (kind) {
      case 'language':
        return [`<span lang="${attributeValue(value)}">`, '</span>'];
      case 'colour': {
        const hex = hexColour(value);
        return hex === null ? null : [`<span style="color: ${hex}">`, '</span>'];
      }
      default:
        return commonTags[kind] ?? null;
    }
  },
  voice: () => null,
  stamp: () => '',
};

function paragraph({ start, speaker, content }: ReturnType<typeof passagesOf>[number], timeMarks: boolean): string {
  const clock = wholeClock(start);
  const mark = timeMarks ? `<time datetime="${clock}">[${clock}]</time> ` : '';
  const name = speaker === '' ? '' : `<b class="speaker">${attributeValue(speaker.toUpperCase())}:</b> `;
  return `    <p>${mark}${name}${writeInline({ ...content, speakers: [] }, dialect)}</p>\n`;
}

function write(sheet: Sheet, options: WriteOptions): string {
  const title = attributeValue(sheet.title);
  return `<!doctype html>
<html lang="${attributeValue(sheet.language ?? '')}">
  <head>
    <meta charset="utf-8">
    <title>${title}</title>
  </head>
  <body>
    <main>
${passagesOf(sheet.captions)
  .map((p) => paragraph(p, options.timeMarks))
  .join('')}    </main>
  </body>
</html>
`;
}

const writer: Writer = {
  write,
  // A speaker's name is written before the words.
  losses: (sheet) => lossesOf(sheet, { ...onlyWords, dialect: { mark: dialect.mark, voice: () => ['', ''] } }),
};

export const transcriptHtml: Format = {
  name: 'html',
  title: 'Transcript (HTML)',
  extension: '.html',
  mediaType: 'text/html',
  detect: (text) =>
    /^\s*(?:<!--[^>]{0,400}>\s*)?<(?:!doctype html|html|head|body|main|article|section|div|p|h1)\b/i.test(
      text.slice(0, 2000),
    )
      ? 0.7
      : 0,
  read,
  writer,
};
