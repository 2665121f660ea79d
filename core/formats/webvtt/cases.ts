/**
 * Cases of the W3C WebVTT recommendation, each under the section whose steps it follows. A cue is told
 * as `identifier | start-end | settings | text`, in ms, with what it does not have left out.
 */

/** What is told of a file that is no WebVTT. */
export const refused: string[] = ['refused'];

const T = '00:01.000 --> 00:02.000';

export const cases: [section: string, cases: [what: string, file: string, cues: string[]][]][] = [
  [
    'WebVTT file parsing: signature and line ends',
    [
      ['the signature alone', 'WEBVTT', []],
      ['the signature and a line end', 'WEBVTT\n', []],
      ['a space and a title', `WEBVTT a title\n\n${T}\na`, ['1000-2000 | a']],
      ['a tab', `WEBVTT\tx\n\n${T}\na`, ['1000-2000 | a']],
      ['a byte-order mark', `\ufeffWEBVTT\n\n${T}\na`, ['1000-2000 | a']],
      ['a letter right after it', `WEBVTTX\n\n${T}\na`, refused],
      ['small letters', `webvtt\n\n${T}\na`, refused],
      ['a space before it', ` WEBVTT\n\n${T}\na`, refused],
      ['a blank line before it', `\nWEBVTT\n\n${T}\na`, refused],
      ['CRLF', `WEBVTT\r\n\r\n${T}\r\na\r\nb\r\n`, ['1000-2000 | a\nb']],
      ['CR', `WEBVTT\r\r${T}\ra\rb\r`, ['1000-2000 | a\nb']],
      ['a NUL becomes U+FFFD', `WEBVTT\n\n${T}\na\0b`, ['1000-2000 | a\ufffdb']],
    ],
  ],
  [
    'WebVTT file parsing: header',
    [
      ['lines under the signature are passed over', `WEBVTT\nKind: captions\nx\n\n${T}\na`, ['1000-2000 | a']],
      ['a cue right under the signature', `WEBVTT\n${T}\na`, ['1000-2000 | a']],
      ['an arrow ends the header', `WEBVTT\nid\n${T}\na`, ['1000-2000 | a']],
      ['many blank lines', `WEBVTT\n\n\n\n\n${T}\na`, ['1000-2000 | a']],
    ],
  ],
  [
    'Collect a WebVTT block',
    [
      ['an identifier', `WEBVTT\n\nid 1\n${T}\na`, ['id 1 | 1000-2000 | a']],
      ['two lines before the arrow belong to no cue', `WEBVTT\n\none\ntwo\n${T}\na`, ['1000-2000 | a']],
      [
        'an arrow in the text begins a new cue',
        `WEBVTT\n\n${T}\na\n00:03.000 --> 00:04.000\nb`,
        ['1000-2000 | a', '3000-4000 | b'],
      ],
      ['a bad arrow in the text ends the cue', `WEBVTT\n\n${T}\na --> b\nc`, ['1000-2000 | ']],
      ['an arrow on the second line of a failed cue', `WEBVTT\n\nx --> y\n${T}\na`, ['1000-2000 | a']],
      ['a line of spaces ends nothing', `WEBVTT\n\n${T}\na\n \nb`, ['1000-2000 | a\n \nb']],
      [
        'text without times belongs to nobody',
        `WEBVTT\n\n${T}\na\n\nlost\n\n00:03.000 --> 00:04.000\nb`,
        ['1000-2000 | a', '3000-4000 | b'],
      ],
      ['a comment', `WEBVTT\n\nNOTE --\n\nNOTE\nmore\n\n${T}\na`, ['1000-2000 | a']],
      ['NOTE above an arrow is an identifier', `WEBVTT\n\nNOTE\n${T}\na`, ['NOTE | 1000-2000 | a']],
      ['STYLE above an arrow is an identifier', `WEBVTT\n\nSTYLE\n${T}\na`, ['STYLE | 1000-2000 | a']],
      ['a cue at the end without text', `WEBVTT\n\n${T}`, ['1000-2000 | ']],
    ],
  ],
  [
    'Collect WebVTT cue timings and settings',
    [
      ['hours', `WEBVTT\n\n01:00:01.000 --> 100:00:02.000\na`, ['3601000-360002000 | a']],
      ['no space around the arrow', `WEBVTT\n\n00:01.000-->00:02.000\na`, ['1000-2000 | a']],
      ['tabs around the arrow', `WEBVTT\n\n\t00:01.000\t-->\t00:02.000\na`, ['1000-2000 | a']],
      ['settings right after the time', `WEBVTT\n\n00:01.000 --> 00:02.000align:end\na`, ['1000-2000 | align:end | a']],
      ['something before the time', `WEBVTT\n\nx 00:01.000 --> 00:02.000\na`, []],
      ['a longer arrow', `WEBVTT\n\n00:01.000 ---> 00:02.000\na`, []],
    ],
  ],
  [
    'Collect a WebVTT timestamp',
    [
      ['one digit of minutes', `WEBVTT\n\n0:01.000 --> 0:02.000\na`, []],
      ['one digit of hours', `WEBVTT\n\n1:00:01.000 --> 1:00:02.000\na`, ['3601000-3602000 | a']],
      ['minutes over 59 are hours without minutes', `WEBVTT\n\n60:01.000 --> 61:02.000\na`, []],
      ['seconds over 59', `WEBVTT\n\n00:60.000 --> 00:61.000\na`, []],
      ['minutes over 59 under hours', `WEBVTT\n\n00:60:01.000 --> 00:61:02.000\na`, []],
      ['a comma', `WEBVTT\n\n00:01,000 --> 00:02,000\na`, []],
      ['two digits of fraction', `WEBVTT\n\n00:01.00 --> 00:02.00\na`, []],
      ['four digits of fraction', `WEBVTT\n\n00:01.0000 --> 00:02.0000\na`, []],
      ['no fraction', `WEBVTT\n\n00:01 --> 00:02\na`, []],
    ],
  ],
  [
    'Parse the WebVTT cue settings',
    [
      [
        'all of them',
        `WEBVTT\n\n${T} vertical:rl line:-1,end position:10%,line-left size:50% align:center\na`,
        ['1000-2000 | vertical:rl line:-1,end position:10%,line-left size:50% align:center | a'],
      ],
      [
        'unknown ones and empty ones',
        `WEBVTT\n\n${T} colour:red size: :50% align:end\na`,
        ['1000-2000 | align:end | a'],
      ],
      [
        'percentages over 100',
        `WEBVTT\n\n${T} size:101% position:100% line:100.5%\na`,
        ['1000-2000 | position:100% | a'],
      ],
      ['the last of two counts', `WEBVTT\n\n${T} size:10% size:20%\na`, ['1000-2000 | size:20% | a']],
      ['alignments that are none', `WEBVTT\n\n${T} align:middle line:1,top position:1%,left\na`, ['1000-2000 | a']],
      ['a region that is not there', `WEBVTT\n\n${T} region:x\na`, ['1000-2000 | a']],
      ['a region that is', `WEBVTT\n\nREGION\nid:x\n\n${T} region:x\na`, ['1000-2000 | region:x | a']],
      [
        'a region defined too late',
        `WEBVTT\n\n${T}\na\n\nREGION\nid:x\n\n00:03.000 --> 00:04.000 region:x\nb`,
        ['1000-2000 | a', '3000-4000 | b'],
      ],
    ],
  ],
];
