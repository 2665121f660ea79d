/** Recordings that are awkward in one way each: the tape works with all of them, and says what could not be read. */
import { readFileSync } from 'node:fs';
import type { Regions } from '../core/audio/regions.ts';
import { asking, captionsOf } from './support/ask.ts';
import { eventually, pick, press, says, see } from './support/browser.ts';
import { withApplication } from './support/application.ts';
import { heardThrough, jobFromRecording } from './support/new-job.ts';

const app = withApplication();
const ask = asking(() => app.services.address);

/** Where the synthesiser says the sentences of these eight seconds begin (fixtures/speech), in ms. */
const begins = [1500, 4210, 7141];

/** Begins a job with one of the recordings alone, as somebody would. */
async function begun(name: string): Promise<{ readonly job: string; readonly hash: string; readonly track: string }> {
  const job = await jobFromRecording(app, `fixtures/recordings/${name}`);
  const { recording, tracks } = await ask('GET /api/jobs/:id', { params: { id: job } });
  return { job, hash: recording?.hash ?? '', track: tracks[0]?.id ?? '' };
}
const regionsOf = (hash: string, track = 0): Promise<Regions> => heardThrough(app, hash, track);
/** How far, at most, speech begins from where it does, so much later. */
const off = ({ speech }: Regions, later = 0, of = begins): number =>
  Math.max(...of.map((b) => Math.min(...speech.map((s) => Math.abs(s.start - later - b)))));
/** Whatever the sound is, captions can be made and timed. */
async function tapeWorks(track: string): Promise<void> {
  await press(app.driver, 'New caption');
  await eventually(app.driver, 'a caption', async () => (await captionsOf(ask, track)).length === 1);
}

describe('a recording', () => {
  it('with no sound has nothing to listen to', async () => {
    const { hash, track } = await begun('no-sound.webm');
    expect(await regionsOf(hash)).toEqual({ speech: [], sound: [] });
    await tapeWorks(track);
  });

  it('whose sound begins late has its speech where it is heard beside the picture', async () => {
    const { hash, track } = await begun('late-sound.webm');
    expect(off(await regionsOf(hash), 3200)).toBeLessThanOrEqual(50);
    await tapeWorks(track);
  });

  it('tells how many pictures it has in a second', async () => {
    const { job } = await begun('late-sound.webm');
    expect((await ask('GET /api/jobs/:id', { params: { id: job } })).rate).toEqual({ numerator: 25, denominator: 1 });
    const { job: fast } = await begun('fast.webm');
    expect((await ask('GET /api/jobs/:id', { params: { id: fast } })).rate).toEqual({
      numerator: 30_000,
      denominator: 1001,
    });
  });

  it('whose header says another length is read for as long as it is', async () => {
    const { hash, track } = await begun('wrong-length.webm');
    expect(off(await regionsOf(hash))).toBeLessThanOrEqual(50);
    await tapeWorks(track);
  });

  it('that was cut is read as far as it goes', async () => {
    const { hash, track } = await begun('cut.webm');
    const heard = await regionsOf(hash);
    expect(off(heard, 0, begins.slice(0, 2))).toBeLessThanOrEqual(50);
    expect(heard.speech.length).toBeLessThan(3);
    await tapeWorks(track);
  });

  it('whose pictures come unevenly, or whose sound has six channels, is heard like any other', async () => {
    for (const name of ['variable-rate.webm', 'surround.webm']) {
      const { hash, track } = await begun(name);
      expect(off(await regionsOf(hash))).toBeLessThanOrEqual(50);
      await tapeWorks(track);
    }
  });

  it('with several sound tracks is listened to by the one that is chosen', async () => {
    const { hash, job } = await begun('two-sounds.webm');
    expect((await regionsOf(hash)).speech).toEqual([]);
    await (await see(app.driver, '[aria-label="About the recording…"]')).click();
    await pick(app.driver, 'Sound that is listened to', 'Sound track 2, Speech, English');
    await press(app.driver, 'Save');
    expect(off(await regionsOf(hash, 1))).toBeLessThanOrEqual(50);
    expect((await ask('GET /api/jobs/:id', { params: { id: job } })).soundTrack).toBe(1);
    await says(app.driver, 'New for speech (');
  });

  it('whose sound nothing here decodes is told, and timed without it', async () => {
    const { track } = await begun('unknown-codec.mkv');
    await says(
      app.driver,
      /(cannot decode the sound of this recording|in no form that can be read here)[\s\S]*Timing works without it/,
    );
    await tapeWorks(track);
  });
});

describe('reading the sound', () => {
  it('goes on after a reload where it was, and forgets what it kept once the server has all of it', async () => {
    // Long enough that it is kept on the way: the demo's speech, over and over.
    const { hash } = await begunLong();
    const name = `${hash}/0/`;
    await eventually(app.driver, 'some of it kept', async () => ((await halfRead(name)) ?? 0) > 0);
    const before = (await halfRead(name)) ?? 0;
    await app.driver.navigate().refresh();
    await see(app.driver, '[data-test=tape]');
    // It does not begin again: what is kept never gets less.
    await says(app.driver, 'Reading the sound');
    await press(app.driver, 'Stop');
    await says(app.driver, 'Reading the sound was stopped');
    expect((await halfRead(name)) ?? 0).toBeGreaterThanOrEqual(before);
    await press(app.driver, 'Try again');
    const heard = await regionsOf(hash);
    expect(heard.speech.length).toBe(3 * repeats);
    await eventually(app.driver, 'nothing kept any more', async () => (await halfRead(name)) === null);
  });
});

/** So often the eight seconds are in the long recording. */
const repeats = 225;
/** Half an hour of 16-bit samples, begun as a job. */
async function begunLong(): Promise<{ readonly hash: string }> {
  const wav = readFileSync('fixtures/speech/night-school.wav');
  const samples = wav.subarray(44);
  const head = Buffer.from(wav.subarray(0, 44));
  head.writeUInt32LE(36 + samples.length * repeats, 4);
  head.writeUInt32LE(samples.length * repeats, 40);
  const body = Buffer.concat([head, ...Array.from({ length: repeats }, () => samples)]);
  const sent = await fetch(`${app.services.address}/api/recordings?name=long.wav`, {
    method: 'PUT',
    headers: { 'content-type': 'application/octet-stream' },
    body,
  });
  const { hash } = (await sent.json()) as { readonly hash: string };
  const length = Math.round((samples.length * repeats) / 32);
  await ask('PATCH /api/recordings/:hash', { params: { hash }, body: { length, width: 0, height: 0 } });
  const job = crypto.randomUUID();
  await ask('POST /api/jobs', {
    body: {
      id: job,
      title: 'Long',
      language: 'en',
      style: 'lecture-38',
      recording: hash,
      tracks: [
        { id: crypto.randomUUID(), kind: 'captions', language: 'en', name: 'fair copy', foreign: null, captions: [] },
      ],
    },
  });
  await app.driver.get(`${app.services.address}/jobs/${job}/tape`);
  return { hash };
}
/** How many hundredths of a second this browser keeps of a reading; null where it keeps none. */
const halfRead = (name: string): Promise<number | null> =>
  app.driver.executeAsyncScript<number | null>(
    `const [name, done] = arguments; const request = indexedDB.open('fenwix-sound');
     request.onerror = () => done(null);
     request.onsuccess = () => {
       const db = request.result;
       if (!db.objectStoreNames.contains('reading')) { db.close(); indexedDB.deleteDatabase('fenwix-sound'); done(null); return; }
       const store = db.transaction('reading').objectStore('reading');
       const keys = store.getAllKeys(); const all = store.getAll();
       all.onsuccess = () => { db.close(); const at = keys.result.findIndex((key) => key.startsWith(name)); done(at < 0 ? null : all.result[at].cells.length); };
     };`,
    name,
  );
