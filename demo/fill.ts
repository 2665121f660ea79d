/**
 * Fills the demo: sets up the video host stand-in with the demo recording and its machine track, and
 * makes the demo jobs through the server's own API when there are none.
 */
import { plainly } from '../core/formats/sheet.ts';
import { createReadStream, existsSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, extname, join, resolve } from 'node:path';
import { randomUUID } from 'node:crypto';
import { Readable } from 'node:stream';
import { askOver } from '../core/contract/ask.ts';
import { urlOf, type Ask } from '../core/contract/contract.ts';
import { withIds } from '../core/formats/cue.ts';
import { importCaptions } from '../core/formats/registry.ts';
import { vttWriter as webvttWriter } from '../core/formats/webvtt/write.ts';
import { shippedStyle } from '../core/style/shipped.ts';
import type { HouseStyle } from '../core/style/style.ts';
import type { Caption } from '../core/model/caption.ts';

interface DemoJob {
  /** As its folder is called. */
  readonly name: string;
  readonly title: string;
  readonly series: string;
  readonly style: string;
  readonly file: string;
  /** In pixels; 0 where it is sound only. */
  readonly width: number;
  readonly height: number;
}
const language = 'en-GB';
const lock: DemoJob = {
  name: 'lock-after-dark',
  title: 'Working a lock after dark',
  series: 'Night school 3',
  style: 'lecture-38',
  file: 'recording.webm',
  width: 1280,
  height: 720,
};
/** The newest stands first on the page of jobs. */
const jobs: readonly DemoJob[] = [
  {
    name: 'keepers-round',
    title: 'The keeper’s round',
    series: 'Night school 5',
    style: 'lecture-38',
    file: 'recording.ogg',
    width: 0,
    height: 0,
  },
  {
    name: 'fog-signals',
    title: 'Fog signals',
    series: 'Short ones',
    style: 'upright-17',
    file: 'recording.webm',
    width: 540,
    height: 960,
  },
  lock,
];
const folderOf = ({ name }: DemoJob): string => resolve('demo/recordings', name);

function styleOf({ style }: DemoJob): HouseStyle {
  const found = shippedStyle(style);
  if (!found) throw new Error(`The style ${style} ships.`);
  return found;
}

const draft = (of: DemoJob): Caption[] =>
  withIds(
    importCaptions(readFileSync(join(folderOf(of), 'machine-draft.ctm')), { style: styleOf(of) }).captions,
    randomUUID,
  );

function setUpHost(file: string, token: string): void {
  const recording = {
    id: lock.name,
    title: lock.title,
    file: join(folderOf(lock), lock.file),
    mediaType: 'video/webm',
    machineTrack: webvttWriter.write({ captions: draft(lock), title: lock.title, language, foreign: null }, plainly),
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
    body: Readable.toWeb(createReadStream(file)),
    duplex: 'half',
  } as RequestInit);
  const answer = await response.text();
  if (!response.ok) throw new Error(answer);
  return answer;
}

/** Subtitles of the recording, timed for a copy of it that runs slower and begins later: times are to be borrowed for them. */
function subtitlesOf(of: DemoJob): readonly Caption[] {
  const file = join(folderOf(of), 'french-for-another-copy.srt');
  return existsSync(file)
    ? withIds(importCaptions(readFileSync(file), { style: styleOf(of) }).captions, randomUUID)
    : [];
}

async function addJob(ask: Ask, server: string, of: DemoJob): Promise<void> {
  const folder = folderOf(of);
  const { length } = JSON.parse(readFileSync(join(folder, 'true-script.json'), 'utf8')) as { length: number };
  const at = urlOf('PUT /api/recordings', { query: { name: `${of.name}${extname(of.file)}` } });
  const { hash: recording } = JSON.parse(await upload(`${server}${at}`, join(folder, of.file))) as { hash: string };
  const { width, height } = of;
  await ask('PATCH /api/recordings/:hash', { params: { hash: recording }, body: { length, width, height } });
  if (width > 0)
    await upload(
      `${server}${urlOf('PUT /api/recordings/:hash/poster', { params: { hash: recording } })}`,
      join(folder, 'poster.jpg'),
    );
  const captions = draft(of);
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
  const french = subtitlesOf(of);
  const subtitles = { id: randomUUID(), kind: 'subtitles' as const, name: 'timed for another copy', language: 'fr' };
  const all = french.length > 0 ? [...tracks, { ...subtitles, captions: french }] : tracks;
  const { title, series, style } = of;
  await ask('POST /api/jobs', { body: { id: randomUUID(), title, series, language, style, recording, tracks: all } });
}

/** @param only the recordings of these names; all where none is named */
async function fill(server: string, host: string, token: string, only: readonly string[]): Promise<void> {
  const ask = askAt(server);
  await ask('PUT /api/destinations/:id', {
    params: { id: 'quayside' },
    body: { name: 'Quayside', kind: 'video-host', url: host, token },
  });
  if ((await ask('GET /api/jobs')).length > 0) return;
  for (const job of jobs) if (only.length === 0 || only.includes(job.name)) await addJob(ask, server, job);
}

const [task, ...args] = process.argv.slice(2);
const [first = '', second = '', third = '', ...only] = args;
if (task === 'host-setup') setUpHost(first, second);
else await fill(first, second, third, only);
