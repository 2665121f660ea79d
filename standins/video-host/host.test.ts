import type { FastifyInstance } from 'fastify';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildHost, languageOfName } from './host.ts';

let host: FastifyInstance;
let folder: string;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'fenwix-host-'));
  host = await buildHost({
    token: 't',
    processing: 5,
    folder,
    recordings: [
      {
        id: 'r',
        title: 'A <lock>',
        file: '/nowhere/r.webm',
        mediaType: 'video/webm',
        machineTrack: 'WEBVTT\n',
        language: 'en-GB',
      },
    ],
  });
});
afterEach(async () => {
  await host.close();
  rmSync(folder, { recursive: true });
});

const put = (file: string, payload: string, token = 't') =>
  host.inject({
    method: 'PUT',
    url: `/recordings/r/tracks/${file}`,
    headers: { authorization: `Bearer ${token}`, 'content-type': 'application/x-subrip' },
    payload,
  });
const srt = (second: string) => `1\n00:00:01,000 --> 00:00:02,000\none\n\n2\n${second}\ntwo\n`;

describe('the video host', () => {
  it('takes nothing without the token', async () => {
    expect((await put('a.en.srt', srt('00:00:03,000 --> 00:00:04,000'), 'wrong')).statusCode).toBe(401);
    expect((await host.inject('/recordings')).statusCode).toBe(401);
  });

  it.each([
    ['a name without its language', 'captions.srt', srt('00:00:03,000 --> 00:00:04,000'), 'does not name its language'],
    ['overlapping captions', 'a.en_GB.srt', srt('00:00:01,500 --> 00:00:04,000'), 'captions 1 and 2 overlap'],
    ['times out of order', 'a.en_GB.srt', srt('00:00:04,000 --> 00:00:03,000'), 'line 6'],
    ['a text without captions', 'a.en_GB.srt', 'hello', 'No caption was found'],
  ])('refuses %s and says why', async (_, name, text, why) => {
    const answer = await put(name, text);
    expect(answer.statusCode).toBe(422);
    expect(answer.json<{ message: string }>().message).toContain(why);
  });

  it('puts the newer file in the place of the older in the same language, and leaves the machine track', async () => {
    const tracks = async () =>
      (await host.inject({ url: '/recordings/r', headers: { authorization: 'Bearer t' } })).json<{
        tracks: { file: string; state: string }[];
      }>().tracks;
    for (const name of ['first.en_GB.srt', 'second.en_GB.srt']) {
      expect((await put(name, srt('00:00:03,000 --> 00:00:04,000'))).statusCode).toBe(202);
      while ((await tracks()).some((t) => t.state === 'processing')) await new Promise((next) => setTimeout(next, 2));
    }
    expect((await tracks()).map((t) => [t.file, t.state])).toEqual([
      ['machine.vtt', 'live'],
      ['second.en_GB.srt', 'live'],
    ]);
  });

  it('takes a recording, under a name on disk of its own, and plays it', async () => {
    const url = `/recordings/${encodeURIComponent('../../escape')}?title=Mine&type=video%2Fwebm&language=cy`;
    const headers = { authorization: 'Bearer t', 'content-type': 'application/octet-stream' };
    const { id } = (await host.inject({ method: 'PUT', url, headers, payload: Buffer.from('pictures') })).json<{
      id: string;
    }>();
    expect(readdirSync(folder)).toEqual([id]);
    const part = await host.inject({ url: `/media/${id}`, headers: { range: 'bytes=0-3' } });
    expect([part.statusCode, part.headers['content-type'], part.body]).toEqual([206, 'video/webm', 'pict']);
  });

  it('shows titles as text on its watch page', async () => {
    const page = await host.inject('/watch/r');
    expect(page.body).toContain('A &lt;lock&gt;');
    expect(page.body).not.toContain('A <lock>');
  });

  it.each([
    ['a.en_GB.srt', 'en-GB'],
    ['a.b.cy.vtt', 'cy'],
    ['a.en-GB.vtt', 'en-GB'],
    ['a.srt', null],
    ['a.english.srt', null],
  ])('reads the language of %s', (name, language) => expect(languageOfName(name)).toBe(language));
});
