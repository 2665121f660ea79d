/** For tests: pages and the server’s real log in one process, what each page shows, and what the log has in the end. */
import 'fake-indexeddb/auto';
import type { FastifyInstance } from 'fastify';
import { mkdtempSync, rmSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { jest } from '@jest/globals';
import type { Ask } from '../../../core/contract/contract.ts';
import { caption } from '../../../core/model/caption.ts';
import type { Edit } from '../../../core/model/edits.ts';
import { buildApp } from '../../../server/app.ts';
import { configFor } from '../../../server/config-for-tests.ts';
import { away } from '../client/client.ts';
import { askAndHold } from '../../../server/answers-for-tests.ts';
import { logBehind, type Log } from './log.ts';
import { openOutbox, type Outbox } from './outbox.ts';
import type { SyncEvent, SyncNeeds } from './sync-needs.ts';
import { trackSync, type TrackSync } from './track-sync.ts';

jest.setTimeout(30_000);

interface ServerForTests {
  data: string;
  app: FastifyInstance;
  outbox: Outbox;
  track: string;
  /** Whether the server can be reached, and whether its answers come through. */
  line: 'there' | 'away' | 'answers lost';
}

/** What the test at hand runs on; made anew before each. */
export const server = {} as ServerForTests;
const alive = new Set<string>();

export const config = () => configFor(server.data, { largestRecording: 2000 });

const answer = askAndHold(() => server.app);
export const ask: Ask = async (route, ...args) => {
  if (server.line === 'away') throw away();
  const given = await answer(route, ...args);
  if (server.line === 'answers lost') throw away();
  return given;
};

export const log = logBehind(ask);

const never = new Promise<never>(() => undefined);

export interface Page {
  readonly sync: TrackSync;
  readonly events: SyncEvent[];
  readonly client: string;
  readonly text: () => string[];
  done: boolean;
}

/** The sync of a page. */
export function trackSyncWith(
  client: string,
  over: Log,
  kept = server.outbox,
  told: Pick<SyncNeeds, 'tell' | 'done'> = { tell: () => undefined, done: () => undefined },
): TrackSync {
  return trackSync(server.track, {
    log: over,
    outbox: kept,
    client,
    alive: () => Promise.resolve((one) => alive.has(one)),
    newId: randomUUID,
    now: Date.now,
    random: () => 0,
    composed: () => Promise.resolve(),
    announce: () => undefined,
    ...told,
  });
}

/** A page that has the track open, or is about to. */
export function page(client: string = randomUUID()): Page {
  alive.add(client);
  const events: SyncEvent[] = [];
  // A page that is killed hears nothing any more, asks nothing and writes nothing.
  const living = async <T>(answer: () => Promise<T>): Promise<T> => {
    if (!alive.has(client)) return never;
    try {
      return await answer();
    } finally {
      if (!alive.has(client)) await never;
    }
  };
  const written = server.outbox;
  const livingOutbox: Outbox = {
    lines: (...of) => living(() => written.lines(...of)),
    tracks: () => living(() => written.tracks()),
    put: (...of) => living(() => written.put(...of)),
    delivered: (...of) => living(() => written.delivered(...of)),
    replace: (...of) => living(() => written.replace(...of)),
    adopt: (...of) => living(() => written.adopt(...of)),
    allAsides: () => living(() => written.allAsides()),
    asides: (...of) => living(() => written.asides(...of)),
    dropAside: (...of) => living(() => written.dropAside(...of)),
  };
  const livingLog: Log = {
    load: (...of) => living(() => log.load(...of)),
    since: (...of) => living(() => log.since(...of)),
    append: (...of) => living(() => log.append(...of)),
  };
  const tell = { tell: (event: SyncEvent) => void events.push(event), done: () => void (made.done = true) };
  const sync = trackSyncWith(client, livingLog, livingOutbox, tell);
  const made: Page = { sync, events, client, text: () => sync.captions().map((c) => c.text), done: false };
  return made;
}
export async function opened(client?: string): Promise<Page> {
  const made = page(client);
  await made.sync.open();
  return made;
}

export async function until(what: string, holds: () => boolean): Promise<void> {
  for (const end = Date.now() + 20_000; !holds(); await new Promise((next) => setTimeout(next, 5)))
    if (Date.now() > end) throw new Error(`Waited in vain for ${what}`);
}
export const allDelivered = (...pages: Page[]): Promise<void> =>
  until('everything to be kept', () => pages.every((p) => p.sync.waiting() === 0 && p.sync.state() === 'idle'));
/** A page is closed without a word: nothing of it goes on but what is in the outbox. */
export function killed(of: Page): void {
  alive.delete(of.client);
}
export const textsOnServer = async (): Promise<string[]> =>
  (await ask('GET /api/tracks/:id', { params: { id: server.track } })).captions.map((c) => c.text);
export const typed = (at: number, insert: string, id = 'a'): Edit => ({ type: 'splice', id, from: at, to: at, insert });

export const base = [
  caption({ id: 'a', start: 0, end: 2000, text: 'the gate' }),
  caption({ id: 'b', start: 3000, end: 5000, text: 'is shut' }),
];

beforeEach(async () => {
  server.line = 'there';
  alive.clear();
  indexedDB = new IDBFactory();
  server.data = mkdtempSync(join(tmpdir(), 'fenwix-sync-'));
  server.app = await buildApp(config());
  server.outbox = await openOutbox();
  server.track = randomUUID();
  const made = { id: server.track, kind: 'captions', language: 'en', name: 'fair copy', captions: base } as const;
  const job = { id: randomUUID(), title: 'Lock', language: 'en', style: 'lecture-38', tracks: [made] } as const;
  await ask('POST /api/jobs', { body: job });
});
afterEach(async () => {
  alive.clear();
  await server.app.close();
  rmSync(server.data, { recursive: true, force: true });
});
