/** SubRip (SRT): what it is, and where its reading and writing are. */
import type { Format } from '../format.ts';
import { firstLines } from '../lines.ts';
import { readSrt } from './read.ts';
import { numberOf } from './stops.ts';
import { readTimeLine } from './time-line.ts';
import { srtWriter } from './write.ts';

export const srt: Format = {
  name: 'srt',
  title: 'SRT',
  extension: '.srt',
  mediaType: 'application/x-subrip',
  detect(text) {
    const head = firstLines(text);
    const k = head.findIndex((line) => readTimeLine(line)?.sure);
    if (k < 0) return 0;
    return k > 0 && numberOf(head[k - 1] ?? '', 0, (head[k - 1] ?? '').length) !== null ? 0.9 : 0.7;
  },
  read: readSrt,
  writer: srtWriter,
};
