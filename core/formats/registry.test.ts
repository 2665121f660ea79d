import fc from 'fast-check';
import { shippedStyle } from '../rules/style.ts';
import { Unreadable } from './format.ts';
import { decodeText, readCaptions } from './registry.ts';

const style = shippedStyle('lecture-38');
if (!style) throw new Error('The lecture style ships.');
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const utf16 = (text: string, little: boolean): Uint8Array =>
  Uint8Array.from(
    `\ufeff${text}`
      .split('')
      .flatMap((c) =>
        little ? [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8] : [c.charCodeAt(0) >> 8, c.charCodeAt(0) & 255],
      ),
  );

describe('decodeText', () => {
  it('reads UTF-8, UTF-16 by its mark, and Windows-1252 where it is no UTF-8', () => {
    expect(decodeText(bytes('Señal'))).toBe('Señal');
    expect(decodeText(utf16('Señal', true))).toContain('Señal');
    expect(decodeText(utf16('Señal', false))).toContain('Señal');
    expect(decodeText(Uint8Array.of(0x53, 0x65, 0xf1, 0x61, 0x6c))).toBe('Señal');
  });

  it.each([
    ['an empty file', new Uint8Array(), 'empty'],
    ['a picture', Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 1, 2, 3), 'PNG picture'],
    ['a zip archive', Uint8Array.of(0x50, 0x4b, 3, 4, 0), 'zip archive'],
    ['bytes that are no text', Uint8Array.of(65, 0, 0, 1, 2), 'zero byte'],
  ])('refuses %s with a sentence', (_, file, says) => {
    expect(() => decodeText(file)).toThrow(Unreadable);
    expect(() => decodeText(file)).toThrow(says);
  });
});

describe('readCaptions', () => {
  it('finds the format by content', () => {
    expect(readCaptions('WEBVTT\n\n00:01.000 --> 00:02.000\na', style).format).toBe('vtt');
    expect(readCaptions('1\n00:00:01,000 --> 00:00:02,000\na', style).format).toBe('srt');
    expect(readCaptions('rec 1 0.50 0.25 hello 0.9\nrec 1 0.80 0.25 there 0.4\n', style).format).toBe('ctm');
  });

  it('never throws anything but a plain refusal, whatever the bytes', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 400 }), (file) => {
        try {
          readCaptions(decodeText(file), style);
        } catch (error) {
          expect(error).toBeInstanceOf(Unreadable);
        }
      }),
    );
  });

  it('reads a long file in time that grows with its length', () => {
    const noise = `${'<'.repeat(200_000)}\n${'00:'.repeat(60_000)}\n${'-'.repeat(200_000)}>`;
    expect(() => readCaptions(noise, style)).toThrow(Unreadable);
  });
});
