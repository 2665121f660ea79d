/** Writing TTML in the text profile of IMSC 1.1 (W3C), times as clock times on the media's own clock. */
import type { Sheet, WriteOptions } from '../sheet.ts';
import { exactClock } from '../../timing/clock/clock.ts';
import type { Caption, Mark } from '../../model/caption.ts';
import type { Writer } from '../format.ts';
import { hexColour } from '../colours.ts';
import { attributeValue, stampsOf, writeInline, writesWordTimes, type Dialect, type Tag } from '../inline.ts';
import { lossesOf, onlyWords } from '../loss.ts';

/** Signs that no XML document may hold. */
const notXml = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g;
const xml = (text: string): string => attributeValue(text.replace(notXml, ''));
const encode = (text: string): string => xml(text).replaceAll('\n', '<br/>');
const span = (attribute: string): Tag => [`<span ${attribute}>`, '</span>'];

function markTag({ kind, value }: Mark): Tag | null {
  switch (kind) {
    case 'italic':
      return span('tts:fontStyle="italic"');
    case 'bold':
      return span('tts:fontWeight="bold"');
    case 'underline':
      return span('tts:textDecoration="underline"');
    case 'language':
      return /^[A-Za-z0-9-]+$/.test(value) ? span(`xml:lang="${value}"`) : null;
    case 'colour': {
      const hex = hexColour(value);
      return hex === null ? null : span(`tts:color="${hex}"`);
    }
    default:
      return null;
  }
}

/** The names of a sheet's speakers, in the order they appear. */
const speakersOf = (captions: readonly Caption[]): string[] => [
  ...new Set(captions.flatMap((c) => c.speakers.map((s) => s.speaker)).filter((name) => name.trim() !== '')),
];

function dialectFor(names: readonly string[]): Dialect {
  return {
    encode,
    mark: markTag,
    voice({ speaker }) {
      const k = names.indexOf(speaker);
      return k < 0 ? null : span(`ttm:agent="speaker-${String(k + 1)}"`);
    },
    stamp: () => '',
  };
}

/** Text in pieces that begin at their times, each in a span that begins there. */
function timedBody(c: Caption, dialect: Dialect): string {
  const stamps = stampsOf(c);
  const timing: Dialect = {
    ...dialect,
    mark: (mark) =>
      mark.kind === 'class' && mark.value.startsWith('begin ')
        ? span(`begin="${mark.value.slice(6)}"`)
        : dialect.mark(mark),
  };
  const spans = stamps.map(({ at, ms }, i): Mark => ({
    from: at,
    to: stamps[i + 1]?.at ?? c.text.length,
    kind: 'class',
    value: `begin ${exactClock(ms - c.start)}`,
  }));
  return writeInline({ ...c, marks: [...spans, ...c.marks.filter((m) => m.kind !== 'class')] }, timing);
}

/** White space that would be collapsed away has to be marked as meant. */
const needsSpaces = (text: string): boolean => /^\s|\s$| {2}|[^\S \n]| \n|\n /.test(text);

function paragraph(c: Caption, dialect: Dialect, options: WriteOptions): string {
  const body = writesWordTimes(c, options) ? timedBody(c, dialect) : writeInline(c, dialect);
  const space = needsSpaces(c.text) ? ' xml:space="preserve"' : '';
  return `      <p begin="${exactClock(c.start)}" end="${exactClock(c.end)}"${space}>${body}</p>\n`;
}

function write(sheet: Sheet, options: WriteOptions): string {
  const captions = sheet.captions.filter((c) => c.text.trim() !== '');
  const names = speakersOf(captions);
  const dialect = dialectFor(names);
  const agents = names
    .map(
      (name, i) =>
        `      <ttm:agent xml:id="speaker-${String(i + 1)}" type="character"><ttm:name type="full">${xml(name)}</ttm:name></ttm:agent>\n`,
    )
    .join('');
  return `<?xml version="1.0" encoding="UTF-8"?>
<tt xmlns="http://www.w3.org/ns/ttml" xmlns:ttp="http://www.w3.org/ns/ttml#parameter" xmlns:tts="http://www.w3.org/ns/ttml#styling" xmlns:ttm="http://www.w3.org/ns/ttml#metadata" ttp:contentProfiles="http://www.w3.org/ns/ttml/profile/imsc1.1/text" ttp:timeBase="media" xml:lang="${xml(sheet.language ?? '')}">
  <head>
    <metadata>
      <ttm:title>${xml(sheet.title)}</ttm:title>
${agents}    </metadata>
    <layout>
      <region xml:id="foot" tts:origin="10% 80%" tts:extent="80% 15%" tts:displayAlign="after" tts:textAlign="center" tts:overflow="visible"/>
    </layout>
  </head>
  <body>
    <div region="foot">
${captions.map((c) => paragraph(c, dialect, options)).join('')}    </div>
  </body>
</tt>
`;
}

export const ttmlWriter: Writer = {
  write,
  losses: (sheet, options) =>
    lossesOf(sheet, {
      ...onlyWords,
      dialect: dialectFor(speakersOf(sheet.captions)),
      times: true,
      breaks: true,
      wordTimes: (c) => writesWordTimes(c, options),
      blankLines: true,
      text: (c) => c.text.search(notXml) < 0,
    }),
};
