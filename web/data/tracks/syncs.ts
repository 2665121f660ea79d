/** Tracks on their way to the server: the one that is shown, and those that were left with work still waiting. */
import { defineStore } from 'pinia';
import type { LoggedTrack } from '../../../core/model/logged.ts';
import { ask } from '../client/client.ts';
import { useServerEvents } from '../client/server-events.ts';
import { useMessages } from '../messages/messages.ts';
import { newId } from '../sync/ids.ts';
import type { LeftChanges } from '../sync/left-edits.ts';
import { isMissing, logBehind, type Log } from '../sync/log.ts';
import { alivePages } from '../sync/pages.ts';
import type { SyncEvent } from '../sync/sync-needs.ts';
import { thisPage, type ThisPage } from '../sync/this-page.ts';
import { trackSync, type TrackSync } from '../sync/track-sync.ts';

/** A track on its way, and how many look at it. */
interface OpenSync {
  readonly sync: TrackSync;
  readonly opened: Promise<void>;
  users: number;
}

/** Who shows one of them. */
export interface Viewer {
  /** Told what happens to any. */
  readonly hear: (sync: TrackSync, event: SyncEvent) => void;
  /** Ends when no input method composes in this one: its text must not change under that. */
  readonly composed: (sync: TrackSync) => Promise<void>;
}

/** A log whose first answer was asked for already; everything after that is asked again. */
function withFirstLoad(log: Log, loaded: LoggedTrack): Log {
  let first: LoggedTrack | null = loaded;
  return {
    ...log,
    load(track, at) {
      const answer = at === undefined ? first : null;
      first = null;
      return answer ? Promise.resolve(answer) : log.load(track, at);
    },
  };
}

export const useSyncs = defineStore('syncs', () => {
  const messages = useMessages();
  const log = logBehind(ask);
  const syncs = new Map<string, OpenSync>();
  let viewer: Viewer | null = null;
  let page: Promise<ThisPage> | null = null;

  const pageOnce = (): Promise<ThisPage> =>
    (page ??= thisPage(() => {
      messages.notice =
        'A window with an older version of Fenwix is still open in this browser. Close it, and this page goes on by itself.';
    }));

  /** Says who shows the one that is open. */
  function viewedBy(who: Viewer): void {
    viewer = who;
  }

  function hold(id: string, { client, outbox }: ThisPage, loaded: LoggedTrack | null): OpenSync {
    const channel = new BroadcastChannel(`fenwix-track-${id}`);
    const sync = trackSync(id, {
      log: loaded ? withFirstLoad(log, loaded) : log,
      outbox,
      client,
      alive: alivePages,
      newId,
      now: Date.now,
      random: Math.random,
      composed: () => viewer?.composed(sync) ?? Promise.resolve(),
      announce: () => channel.postMessage(null),
      tell: (event) => viewer?.hear(sync, event),
      done() {
        channel.close();
        if (syncs.get(id) === held) syncs.delete(id);
      },
    });
    channel.onmessage = () => sync.poke();
    const held: OpenSync = { sync, opened: sync.open(), users: 0 };
    syncs.set(id, held);
    return held;
  }

  /** A track of which this is one user more; {@link release} it. @throws {ApiError} when it cannot be had */
  async function take(id: string, loaded: LoggedTrack | null = null): Promise<TrackSync> {
    const here = await pageOnce();
    const held = syncs.get(id) ?? hold(id, here, loaded);
    held.users++;
    held.sync.enter();
    try {
      await held.opened;
    } catch (error) {
      held.users--;
      throw error;
    }
    return held.sync;
  }

  function release(id: string): void {
    const held = syncs.get(id);
    if (held && --held.users === 0) held.sync.leave();
  }

  /** Brings to the server what closed pages of this browser have left, whatever is open. @returns tracks it has no more */
  async function deliverLeft(): Promise<readonly string[]> {
    const { outbox } = await pageOnce();
    const missing: string[] = [];
    for (const id of await outbox.tracks()) {
      if (syncs.has(id)) continue;
      // Where the server is away, it stays where it is for another time.
      await take(id).then(
        () => release(id),
        (error: unknown) => isMissing(error) && missing.push(id),
      );
    }
    return missing;
  }

  /** What this browser has of tracks that are not there any more, and what the server would not have. */
  async function leftChanges(): Promise<readonly LeftChanges[]> {
    const { client, outbox } = await pageOnce();
    const missing = await deliverLeft();
    const alive = await alivePages();
    const lines = (await Promise.all(missing.map((id) => outbox.lines(id)))).flat();
    return [
      // What another page has still open it tells of itself.
      ...lines
        .filter((line) => line.client === client || !alive(line.client))
        .map((line): LeftChanges => ({
          id: `${line.track}/${line.client}`,
          reason: 'the server does not have the track any more; it may have been deleted, or its job.',
          at: null,
          edits: line.edits.map((w) => w.edit),
          drop: () => outbox.replace(line, []),
        })),
      ...(await outbox.allAsides()).map((aside) => ({ ...aside, drop: () => outbox.dropAside(aside.id) })),
    ];
  }

  // Others have been at a track that is open here.
  useServerEvents().listen((event) => {
    for (const { sync } of syncs.values()) {
      if (event.type === 'connected' && sync.state() !== 'sending') sync.poke();
      if (event.type === 'track' && event.track === sync.id) sync.told(event.edit);
    }
  });
  addEventListener('online', () => {
    for (const { sync } of syncs.values()) sync.poke();
  });
  // What even this browser could not write down would be lost with the page.
  addEventListener('beforeunload', (event) => {
    if ([...syncs.values()].some(({ sync }) => sync.unwritten())) event.preventDefault();
  });
  return { viewedBy, take, release, leftChanges };
});
