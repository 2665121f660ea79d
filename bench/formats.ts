/** Reading and writing 20,000 captions, beside packages that do the same and beside JSON.parse. */
import { plainly, type Sheet } from '../core/formats/sheet.ts';
import { parse as plussub } from '@plussub/srt-vtt-parser';
import nodeWebvtt from 'node-webvtt';
import SrtParser from 'srt-parser-2';
import { parseSync as subtitle, stringifySync } from 'subtitle';
import { withIds } from '../core/formats/cue.ts';
import { importCaptions } from '../core/formats/registry.ts';
import { readSrt } from '../core/formats/srt/read.ts';
import { srtWriter as srtWriter } from '../core/formats/srt/write.ts';
import { readWebvtt } from '../core/formats/webvtt/read.ts';
import { vttWriter as vttWriter } from '../core/formats/webvtt/write.ts';
import { shippedStyles } from '../core/style/shipped.ts';
import type { Work } from './measure.ts';

const count = 20_000;
const two = (n: number): string => String(n).padStart(2, '0');
const clock = (ms: number): string =>
  `${two(Math.floor(ms / 3_600_000))}:${two(Math.floor(ms / 60_000) % 60)}:${two(Math.floor(ms / 1000) % 60)},${String(ms % 1000).padStart(3, '0')}`;

const lines = [
  'The lower gate is shut\nand the water begins to fall.',
  '<i>Mind the edge,</i> it is wet tonight.',
  'We wait until it stands\nas low as the river.',
  'KEEPER: Nobody opens a gate\n<b>against</b> the water.',
];
/** Every other caption has a mark, as in a track that was made with care. */
export const srtText = Array.from(
  { length: count },
  (_, i) =>
    `${String(i + 1)}\n${clock(i * 3000)} --> ${clock(i * 3000 + 2600)}\n${lines[(i * 7) % lines.length] ?? ''}\n`,
).join('\n');
const vttText = `WEBVTT\n\n${srtText.replace(/(\d\d),(\d{3})/g, '$1.$2')}`;

const read = readSrt(srtText);
const json = JSON.stringify(read.captions);
let made = 0;
const sheet: Sheet = {
  captions: withIds(read.captions, () => String(++made)),
  title: '',
  language: null,
  foreign: null,
};
const [style] = shippedStyles;
if (!style) throw new Error('Styles ship.');
const bytes = new TextEncoder().encode(srtText);
const nodes = subtitle(srtText);

export interface Comparison {
  readonly title: string;
  readonly works: readonly Work[];
  /** Ours is to be at most so many times as long as another: its name, and the factor. */
  readonly targets: readonly {
    /** The work that is looked at: `fenwix` where it is left out. */
    readonly of?: string;
    readonly than: readonly string[];
    readonly factor: number;
    readonly says: string;
  }[];
}

export const formatComparisons: readonly Comparison[] = [
  {
    title: 'Read 20,000 captions of SRT, marks parsed',
    works: [
      { name: 'fenwix', run: () => readSrt(srtText) },
      { name: 'fenwix, from bytes, format and rolling found', run: () => importCaptions(bytes, { style }) },
      { name: 'subtitle', run: () => subtitle(srtText) },
      { name: 'srt-parser-2', run: () => new SrtParser().fromSrt(srtText) },
      { name: '@plussub/srt-vtt-parser', run: () => plussub(srtText) },
      { name: 'JSON.parse of the same captions', run: () => JSON.parse(json) as unknown },
    ],
    targets: [
      {
        than: ['subtitle', 'srt-parser-2', '@plussub/srt-vtt-parser'],
        factor: 1 / 2,
        says: 'at least 2 times as fast as the fastest package',
      },
      { than: ['JSON.parse of the same captions'], factor: 2, says: 'within 2 times JSON.parse' },
    ],
  },
  {
    title: 'Read 20,000 captions of WebVTT, marks parsed',
    works: [
      { name: 'fenwix', run: () => readWebvtt(vttText, { rescue: false }) },
      { name: 'node-webvtt', run: () => nodeWebvtt.parse(vttText) },
      { name: '@plussub/srt-vtt-parser', run: () => plussub(vttText) },
      { name: 'JSON.parse of the same captions', run: () => JSON.parse(json) as unknown },
    ],
    targets: [
      { than: ['node-webvtt'], factor: 1 / 1.4, says: 'at least 1.4 times as fast as node-webvtt' },
      { than: ['JSON.parse of the same captions'], factor: 2, says: 'within 2 times JSON.parse' },
    ],
  },
  {
    title: 'Write 20,000 captions',
    works: [
      { name: 'fenwix', run: () => srtWriter.write(sheet, plainly) },
      {
        name: 'fenwix, losses counted besides',
        run: () => [srtWriter.losses(sheet, plainly), srtWriter.write(sheet, plainly)],
      },
      { name: 'fenwix, WebVTT', run: () => vttWriter.write(sheet, plainly) },
      { name: 'fenwix, losses only', run: () => srtWriter.losses(sheet, plainly) },
      { name: 'subtitle', run: () => stringifySync(nodes, { format: 'SRT' }) },
      { name: 'JSON.stringify of the same captions', run: () => JSON.stringify(sheet.captions) },
    ],
    targets: [
      {
        of: 'fenwix, losses counted besides',
        than: ['subtitle'],
        factor: 1.1,
        says: 'at most 1.1 times the fastest package’s time, losses counted',
      },
    ],
  },
];
