import { bytes } from './arbitrary.ts';
import { decodeText, encodings, largestCaptionFile } from './encoding.ts';
import { Unreadable } from './format.ts';

const utf16 = (text: string, little: boolean): Uint8Array =>
  Uint8Array.from(
    Array.from(text).flatMap((c) => {
      const unit = c.charCodeAt(0);
      return little ? [unit & 255, unit >> 8] : [unit >> 8, unit & 255];
    }),
  );

const cue = (text: string): string => `1\n00:00:01,000 --> 00:00:02,000\n${text}\n`;

/** Sentences as bytes of an encoding that Node cannot write, by way of its own reader. */
function encoded(text: string, label: string): Uint8Array {
  const decoder = new TextDecoder(label);
  const table = new Map<string, number>();
  for (let b = 0; b < 256; b++) table.set(decoder.decode(Uint8Array.of(b)), b);
  return Uint8Array.from(Array.from(text).map((c) => table.get(c) ?? 63));
}

describe('decodeText', () => {
  it.each([
    ['UTF-8', bytes(cue('Señal')), 'utf-8', 'utf-8'],
    ['UTF-8 with its mark', bytes(`\ufeff${cue('Señal')}`), 'utf-8', 'mark'],
    ['UTF-16 with its mark', utf16(`\ufeff${cue('Señal')}`, true), 'utf-16le', 'mark'],
    ['UTF-16 the other way round', utf16(`\ufeff${cue('Señal')}`, false), 'utf-16be', 'mark'],
    ['UTF-16 without a mark', utf16(cue('Señal'), true), 'utf-16le', 'zeros'],
    ['UTF-16 without a mark the other way round', utf16(cue('Señal'), false), 'utf-16be', 'zeros'],
  ])('reads %s', (_, file, encoding, by) => {
    expect(decodeText(file)).toMatchObject({ encoding, by, broken: 0 });
    expect(decodeText(file).text).toContain('Señal');
  });

  // One sentence about locks in each language; eight bits, told apart by their letters alone.
  it.each([
    ['windows-1252', 'El nivel del agua baja despacio, señora; mañana abrimos la compuerta pequeña.'],
    ['windows-1251', 'Вода медленно опускается, и ворота шлюза открываются только завтра утром.'],
    ['windows-1253', 'Η στάθμη του νερού κατεβαίνει αργά και η πύλη ανοίγει μόνο αύριο το πρωί.'],
    ['windows-1256', 'ينخفض مستوى الماء ببطء ولن تفتح البوابة إلا صباح الغد في الساعة السادسة'],
    ['windows-1255', 'מפלס המים יורד לאט והשער ייפתח רק מחר בבוקר בשעה שש, אז היזהרו בשולי המים'],
    [
      'windows-1250',
      'Poziom wody opada powoli, więc wrota śluzy otworzą się dopiero jutro rano o szóstej, proszę uważać.',
    ],
  ])('guesses %s', (encoding, sentence) => {
    const file = encoded(cue(sentence).repeat(3), encoding);
    expect(decodeText(file)).toMatchObject({ by: 'guess' });
    expect(decodeText(file).text).toContain(sentence);
  });

  it('takes the encoding it is told', () => {
    expect(decodeText(encoded('ключ', 'koi8-r'), 'koi8-r')).toMatchObject({
      text: 'ключ',
      encoding: 'koi8-r',
      by: 'told',
    });
    expect(() => decodeText(bytes('x'), 'elvish')).toThrow('“elvish” is not an encoding');
    for (const { name } of encodings) expect(decodeText(bytes('ab'), name).encoding).toBe(name);
  });

  it('a broken place or two do not make UTF-8 something else', () => {
    const file = bytes(cue('Señal ').repeat(20));
    const cut = file.subarray(0, file.lastIndexOf(0xc3) + 1);
    expect(decodeText(cut)).toMatchObject({ encoding: 'utf-8', broken: 1 });
  });

  it.each<[string, Uint8Array, string]>([
    ['an empty file', new Uint8Array(), 'empty'],
    ['a PNG picture', Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 1, 2, 3), 'PNG picture'],
    ['a JPEG picture', Uint8Array.of(0xff, 0xd8, 0xff, 0xe0), 'JPEG picture'],
    ['a zip archive', Uint8Array.of(0x50, 0x4b, 3, 4, 0), 'zip archive'],
    ['a recording', Uint8Array.of(0, 0, 0, 24, 0x66, 0x74, 0x79, 0x70), 'a recording'],
    ['bytes that are no text', Uint8Array.of(65, 0, 0, 1, 2), 'zero byte'],
    ['200 MB of noise', new Uint8Array(200 * 1024 * 1024).fill(120), 'over 50 MB'],
  ])('refuses %s with a sentence', (_, file, says) => {
    expect(() => decodeText(file)).toThrow(Unreadable);
    expect(() => decodeText(file)).toThrow(says);
  });

  it('takes the largest file there may be', () => {
    expect(decodeText(new Uint8Array(largestCaptionFile).fill(120)).text).toHaveLength(largestCaptionFile);
  });

  // Encoding Standard, index windows-1252; the label iso-8859-1 stands for it.
  it.each(['iso-8859-1', 'windows-1252', 'iso-8859-15'])('reads dashes and quotation marks told as %s', (label) => {
    const bytes = Uint8Array.from([0x69, 0x74, 0x92, 0x73, 0x20, 0x96, 0x20, 0x93, 0x85, 0x94, 0x20, 0xe9]);
    expect(decodeText(bytes, label).text).toBe('it’s – “…” é');
  });

  it('reads good text with a zero byte in it, and nothing that is full of them', () => {
    const text = new TextEncoder().encode(`${'1\n00:00:01,000 --> 00:00:02,000\nthe gate\n\n'.repeat(4)}a\0b`);
    expect(decodeText(text).text).toContain('a\ufffdb');
    expect(() => decodeText(Uint8Array.from({ length: 400 }, (_, i) => (i % 3 === 0 ? 0 : 65)))).toThrow('zero bytes');
  });
});
