/**
 * Fills the demo: sets up the video host stand-in with the demo recording and its machine track, and
 * makes the demo job through the server's own API when there is none.
 */
import { plainly } from '../core/formats/sheet.ts';
import { createReadStream, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { randomUUID } from 'node:crypto';
import { Readable } from 'node:stream';
import { askOver } from '../core/contract/ask.ts';
import { urlOf, type Ask } from '../core/contract/contract.ts';
import { withIds } from '../core/formats/cue.ts';
import { importCaptions } from '../core/formats/registry.ts';
import { writer as webvttWriter } from '../core/formats/webvtt/write.ts';
import { shippedStyle } from '../core/style/shipped.ts';
import type { HouseStyle } from '../core/style/style.ts';
import type { Caption } from '../core/track/caption.ts';

const folder = resolve('demo/recordings/lock-after-dark');
const title = 'Working a lock after dark';
const language = 'en-GB';

function lecture(): HouseStyle {
  const style = shippedStyle('lecture-38');
  if (!style) throw new Error('The lecture style ships.');
  return style;
}

const draft = (): Caption[] =>
  withIds(importCaptions(readFileSync(join(folder, 'machine-draft.ctm')), { style: lecture() }).captions, randomUUID);

function setUpHost(file: string, token: string): void {
  const recording = {
    id: 'lock-after-dark',
    title,
    file: join(folder, 'recording.webm'),
    mediaType: 'video/webm',
    machineTrack: webvttWriter.write({ captions: draft(), title, language, foreign: null }, plainly),
    language,
  };
  writeFileSync(
    file,
    JSON.stringify({ token, recordings: [recording], folder: join(dirname(file), 'video-host'), processing: 2500 }),
  );
}

const askAt = (server: string): Ask =>
  askOver(async ({ method, url, body }) => {
    const response = await fetch(`${server}${url}`, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    return { status: response.status, text: await response.text() };
  });

async function upload(address: string, file: string): Promise<string> {
  const response = await fetch(address, {
    method: 'PUT',
    headers: { 'content-type': 'application/octet-stream' },
    body: Readable.toWeb(createReadStream(join(folder, file))),
    duplex: 'half',
  } as RequestInit);
  const answer = await response.text();
  if (!response.ok) throw new Error(answer);
  return answer;
}

async function fill(server: string, host: string, token: string): Promise<void> {
  const ask = askAt(server);
  await ask('PUT /api/destinations/:id', {
    params: { id: 'quayside' },
    body: { name: 'Quayside', kind: 'video-host', url: host, token },
  });
  if ((await ask('GET /api/jobs')).length > 0) return;
  const { length } = JSON.parse(readFileSync(join(folder, 'true-script.json'), 'utf8')) as { length: number };
  const at = urlOf('PUT /api/recordings', { query: { name: 'lock-after-dark.webm' } });
  const { hash: recording } = JSON.parse(await upload(`${server}${at}`, 'recording.webm')) as { hash: string };
  await ask('PATCH /api/recordings/:hash', {
    params: { hash: recording },
    body: { length, width: 1280, height: 720 },
  });
  await upload(`${server}${urlOf('PUT /api/recordings/:hash/poster', { params: { hash: recording } })}`, 'poster.jpg');
  const captions = draft();
  const kinds = [
    ['machine', 'machine draft'],
    ['captions', 'fair copy'],
  ] as const;
  const tracks = kinds.map(([kind, name]) => ({
    id: randomUUID(),
    kind,
    name,
    language,
    captions: captions.map((c) => ({ ...c, id: randomUUID() })),
  }));
  await ask('POST /api/jobs', {
    body: { id: randomUUID(), title, series: 'Night school 3', language, style: 'lecture-38', recording, tracks },
  });
}

const [task, ...args] = process.argv.slice(2);
const [first = '', second = '', third = ''] = args;
if (task === 'host-setup') setUpHost(first, second);
else await fill(first, second, third);
