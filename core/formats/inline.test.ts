import fc from 'fast-check';
import { noise } from './arbitrary.ts';
import { readCueText } from './webvtt/cue-text.ts';
import { timedWords } from './inline.ts';
import { readSrtText } from './srt/text.ts';
import { webvttTime } from './webvtt/time.ts';

const readInline = (source: string, dialect: 'srt' | 'vtt') =>
  dialect === 'srt' ? readSrtText(source) : readCueText(source);

const marked = (source: string, dialect: 'srt' | 'vtt') => {
  const { text, marks } = readInline(source, dialect);
  return [text, ...marks.map((m) => `${m.kind}${m.value ? `=${m.value}` : ''}:${text.slice(m.from, m.to)}`)];
};

describe('reading inline markup', () => {
  it.each<[string, 'srt' | 'vtt', string[]]>([
    ['<i>slow</i> water', 'srt', ['slow water', 'italic:slow']],
    ['<I>slow</I> water', 'srt', ['slow water', 'italic:slow']],
    ['<i><b>both</i></b> none', 'srt', ['both none', 'italic:both', 'bold:both']],
    ['<i>never closed', 'srt', ['never closed', 'italic:never closed']],
    ['closed only</i>', 'srt', ['closed only']],
    ['<font color=red>stop</font>', 'srt', ['stop', 'colour=red:stop']],
    ['<font face="x">stop</font>', 'srt', ['stop']],
    ['2 < 3 and 4 > 3, <3', 'srt', ['2 < 3 and 4 > 3, <3']],
    ['<unknown> stays in SRT', 'srt', ['<unknown> stays in SRT']],
    ['<unknown>goes</unknown> in WebVTT', 'vtt', ['goes in WebVTT']],
    // What follows is WebVTT's own way, "WebVTT cue text parsing rules".
    ['<i><b>both</i></b> not', 'vtt', ['both not', 'italic:both not', 'bold:both']],
    ['a < b and c > d', 'vtt', ['a  d']],
    ['never <closed', 'vtt', ['never ']],
    [
      '<ruby>漢<rt>kan</rt>字<rt>ji</ruby> x',
      'vtt',
      ['漢kan字ji x', 'ruby:漢kan字ji', 'ruby text:kan', 'ruby text:ji'],
    ],
    ['<rt>alone</rt>', 'vtt', ['alone']],
    ['<I>case counts</I>', 'vtt', ['case counts']],
    ['<c.yellow.loud.far>caution</c>', 'vtt', ['caution', 'colour=yellow:caution', 'class=loud.far:caution']],
    ['<c.colour-ff8800>caution</c>', 'vtt', ['caution', 'colour=#ff8800:caution']],
    ['{\\i1}slow{\\i0} water', 'srt', ['slow water', 'italic:slow']],
    ['<em>slow</em> <STRONG>water</STRONG >', 'srt', ['slow water', 'italic:slow', 'bold:water']],
    ['<i>a<b>b</i>c</b>', 'srt', ['abc', 'italic:ab', 'bold:bc']],
    ['<font face="x" color="rgb(255, 0, 0)">stop</font>', 'srt', ['stop', 'colour=rgb(255, 0, 0):stop']],
    ['{not a command} <i', 'srt', ['{not a command} <i']],
    ['&hearts;&copy; &eacute;&AMP', 'vtt', ['♥© é&']],
    ['<lang cy>cwch</lang>', 'vtt', ['cwch', 'language=cy:cwch']],
    ['fish &amp; chips &lt;now&gt; &#x41;&#66; &nope; &', 'vtt', ['fish & chips <now> AB &nope; &']],
    ['fish &amp; chips', 'srt', ['fish &amp; chips']],
    ['&#0; &#xd800; &#x110000;', 'vtt', ['\ufffd \ufffd \ufffd']],
  ])('%s', (source, dialect, expected) => expect(marked(source, dialect)).toEqual(expected));

  it('keeps ranges inside the text, whatever the text', () => {
    for (const dialect of ['srt', 'vtt'] as const)
      fc.assert(
        fc.property(noise, (source) => {
          const { text, marks, speakers } = readInline(source, dialect);
          for (const r of [...marks, ...speakers]) expect(r.from < r.to && r.to <= text.length).toBe(true);
        }),
      );
  });
});

describe('times inside a cue', () => {
  it('become words that run to the next time, in order and inside the cue', () => {
    const inline = readInline('one <00:01.500>two <00:01.200>three <00:09.000>four', 'vtt');
    expect(timedWords(inline, 1000, 2000).map((w) => [w[6], w[2], w[3]])).toEqual([
      ['one', 1000, 1500],
      ['three four', 1200, 2000],
    ]);
  });

  // W3C WebVTT, "collect a WebVTT timestamp".
  it.each([
    ['00:00.000', 0],
    ['01:02:03.004', 3_723_004],
    ['123:00:00.000', 442_800_000],
    ['0:00.000', null],
    ['00:60.000', null],
    ['60:00.000', null],
    ['00:00.00', null],
    ['00:00,000', null],
    ['1:00:00.000', 3_600_000],
  ])('%s', (text, ms) => expect(webvttTime(text)).toBe(ms));
});
