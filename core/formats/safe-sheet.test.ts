import { plainly } from './sheet.ts';
import { caption } from '../model/caption.ts';
import { type FormatName } from './format.ts';
import { formatNamed, writable } from './registry.ts';
import { plainStyle } from '../style/shipped.ts';
import { readSrt } from './srt/read.ts';
import { readWebvtt } from './webvtt/read.ts';

const written = (
  name: FormatName,
  captions: Parameters<typeof caption>[0][],
  foreign: Record<string, string> | null = null,
): string => {
  const format = writable.find((f) => f.name === name);
  return (
    format?.writer.write({ captions: captions.map(caption), title: 'Lock', language: 'en', foreign }, plainly) ?? ''
  );
};
const gate = { id: 'a', start: 0, end: 2000, text: 'the gate' };
const smuggled = 'x\n\n00:00:09.000 --> 00:00:10.000\nsmuggled';

describe('what is written', () => {
  it.each(writable.filter((f) => f.name !== 'json').map((f) => f.name))(
    '%s holds no control characters, and is read again',
    (name) => {
      const text = written(name, [{ ...gate, text: 'the\u0000 \u0007gate\u0085 is \ud800shut' }]);
      expect(text).not.toMatch(/[\u0000-\u0008\u000b-\u001f\u007f-\u009f\ud800-\udfff]/);
      const read = formatNamed(name)?.read(text, { style: plainStyle, rescue: false });
      expect(read?.captions.map((c) => c.text.replace(/\s+/g, ' ')).join(' ')).toBe('the gate is shut');
    },
  );

  it('takes no cues out of what a file brought along', () => {
    const foreign = { vttId: smuggled, vttSettings: smuggled, vttNotes: `NOTE a\n\n${smuggled}` };
    const sheet = { vttTitle: smuggled, vttHead: smuggled, vttBlocks: smuggled, vttEnd: smuggled, vttMap: smuggled };
    const vtt = readWebvtt(written('vtt', [{ ...gate, foreign }], sheet), { rescue: false });
    expect(vtt.captions.map((c) => c.text)).toEqual(['the gate']);
    // Before the first caption it is a comment of the file.
    expect(vtt.foreign?.['vttBlocks']).toBe('NOTE a');
    const srt = readSrt(written('srt', [{ ...gate, foreign: { srtCoordinates: smuggled.replaceAll('.', ',') } }]));
    expect(srt.captions.map((c) => c.text)).toEqual(['the gate']);
  });
});
