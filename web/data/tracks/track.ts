/** The track that is open, as the page shows it: a thin view of its `TrackSync`. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import type { Caption, Track } from '../../../core/model/caption.ts';
import type { Applied } from '../../../core/model/apply.ts';
import type { Edit } from '../../../core/model/edits.ts';
import type { Beside } from '../../../core/model/history.ts';
import type { LoggedTrack } from '../../../core/model/logged.ts';
import { sentence, type ApiError } from '../../../core/contract/api-error.ts';
import { ask } from '../client/client.ts';
import { newId } from '../sync/ids.ts';
import { isMissing, logBehind, type Log } from '../sync/log.ts';
import type { LeftChanges } from '../sync/left-edits.ts';
import { openOutbox, type Outbox, type SetAside } from '../sync/outbox.ts';
import { alivePages, livePage } from '../sync/pages.ts';
import { useJob } from '../jobs/job.ts';
import { useMessages } from '../messages/messages.ts';
import { useOpening } from '../jobs/opening.ts';
import { useServerEvents } from '../client/server-events.ts';
import type { SyncEvent, SyncState } from '../sync/sync-needs.ts';
import { trackSync, type TrackSync } from '../sync/track-sync.ts';

/** `kept` by the server; `keeping`; `here` only, in this browser, while the server is away; `apart`, where its log is another; `gone`, where it has no such track any more; `nowhere`, when even this browser failed. */
export type Keeping = 'kept' | 'keeping' | 'here' | 'apart' | 'gone' | 'nowhere';

/** A track on its way, and how many look at it. */
interface OpenSync {
  readonly sync: TrackSync;
  readonly opened: Promise<void>;
  users: number;
}

interface Page {
  readonly client: string;
  readonly outbox: Outbox;
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

export const useTrack = defineStore('track', () => {
  const track = shallowRef<Track | null>(null);
  const captions = shallowRef<readonly Caption[]>([]);
  const trouble = ref<string | null>(null);
  const keeping = ref<Keeping>('kept');
  const waiting = ref(0);
  const asides = shallowRef<readonly SetAside[]>([]);
  /** Why the server, which answers, does not take what waits. */
  const holdUp = shallowRef<ApiError | null>(null);
  const canUndo = ref(false);
  const canRedo = ref(false);
  const messages = useMessages();
  watch(captions, () => (messages.remark = null), { flush: 'sync' });
  /** The last change and the captions it touched, for stages that go where it was. */
  const lastChange = shallowRef<{ readonly by: 'hand' | 'undo'; readonly ids: readonly string[] } | null>(null);
  /** An input method is composing: the text on the surface must not change under it. */
  const composing = ref(false);
  async function composed(): Promise<void> {
    if (composing.value) await new Promise((ended) => watch(composing, ended, { once: true }));
  }

  const log = logBehind(ask);
  const begun = useOpening();
  /** Tracks on their way to the server: the one that is shown, and those that were left with work still waiting. */
  const syncs = new Map<string, OpenSync>();
  let current: TrackSync | null = null;
  let page: Promise<Page> | null = null;

  function olderWindow(): void {
    messages.notice =
      'A window with an older version of Fenwix is still open in this browser. Close it, and this page goes on by itself.';
  }
  async function thisPage(): Promise<Page> {
    const [client, outbox] = await Promise.all([livePage(), openOutbox(olderWindow)]);
    // What waits here should outlive a browser that clears up; where it will not promise that, all else stays as it is.
    navigator.storage.persist().catch(() => undefined);
    return { client, outbox };
  }

  const keepings: Readonly<Record<SyncState, Keeping>> = {
    opening: 'keeping',
    idle: 'kept',
    sending: 'keeping',
    offline: 'here',
    blocked: 'apart',
    missing: 'gone',
  };

  /** Shows how things stand with the track that is open. */
  function show(sync: TrackSync): void {
    const confirmed = sync.confirmed();
    captions.value = sync.captions();
    if (confirmed) track.value = confirmed;
    waiting.value = sync.waiting();
    const state = keepings[sync.state()];
    keeping.value = sync.unwritten() ? 'nowhere' : state === 'kept' && sync.waiting() > 0 ? 'keeping' : state;
    asides.value = sync.asides();
    holdUp.value = sync.holdUp();
    canUndo.value = sync.history().undo.length > 0;
    canRedo.value = sync.history().redo.length > 0;
  }

  function hear(sync: TrackSync, event: SyncEvent): void {
    if (sync !== current) return;
    // Set before the captions are: whoever watches them asks what the change was.
    if (event.type === 'captions' && event.by !== 'others') lastChange.value = { by: event.by, ids: event.ids };
    show(sync);
    if (event.type === 'conflict')
      messages.notice = `${event.count === 1 ? 'One caption was' : `${String(event.count)} captions were`} changed here and elsewhere at the same time. Both versions are kept: go to ${event.count === 1 ? 'it' : 'each'} with F8 and choose one.`;
    if (event.type === 'beside') void job.putBack(event.beside);
    if (event.type === 'skipped')
      messages.notice =
        'A step was passed over: others have changed the same since, and undoing it would undo their work.';
  }

  /** A track of which this is one user more; {@link release} it. @throws {ApiError} when it cannot be had */
  async function take(id: string, loaded: LoggedTrack | null = null): Promise<TrackSync> {
    const { client, outbox } = await (page ??= thisPage());
    const held = syncs.get(id) ?? hold(id, client, outbox, loaded);
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

  function hold(id: string, client: string, outbox: Outbox, loaded: LoggedTrack | null): OpenSync {
    const channel = new BroadcastChannel(`fenwix-track-${id}`);
    const sync = trackSync(id, {
      log: loaded ? withFirstLoad(log, loaded) : log,
      outbox,
      client,
      alive: alivePages,
      newId,
      now: Date.now,
      random: Math.random,
      composed: () => (sync === current ? composed() : Promise.resolve()),
      announce: () => channel.postMessage(null),
      tell: (event) => hear(sync, event),
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

  let opening = 0;
  async function open(id: string): Promise<void> {
    close();
    const mine = ++opening;
    trouble.value = null;
    try {
      const sync = await take(id, begun.takeTrack(id));
      if (mine !== opening) {
        // Another track was asked for meanwhile; this one goes on by itself with what waits.
        release(id);
        return;
      }
      current = sync;
      show(sync);
    } catch (error) {
      if (mine === opening) trouble.value = sentence(error);
    }
  }

  function close(): void {
    opening++;
    const left = current;
    current = null;
    if (left) release(left.id);
    track.value = null;
    captions.value = [];
    waiting.value = 0;
    [asides.value, holdUp.value] = [[], null];
    keeping.value = 'kept';
    [canUndo.value, canRedo.value] = [false, false];
    lastChange.value = null;
  }

  /** Brings to the server what closed pages of this browser have left, whatever is open. @returns tracks it has no more */
  async function deliverLeft(): Promise<readonly string[]> {
    const { outbox } = await (page ??= thisPage());
    const gone: string[] = [];
    for (const id of await outbox.tracks()) {
      if (syncs.has(id)) continue;
      // Where the server is away, it stays where it is for another time.
      await take(id).then(
        () => release(id),
        (error: unknown) => isMissing(error) && gone.push(id),
      );
    }
    return gone;
  }

  /** What this browser has of tracks that are not there any more, and what the server would not have. */
  async function leftChanges(): Promise<readonly LeftChanges[]> {
    const { client, outbox } = await (page ??= thisPage());
    const gone = await deliverLeft();
    const alive = await alivePages();
    const lines = (await Promise.all(gone.map((id) => outbox.lines(id)))).flat();
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

  /** Makes a change: shown at once, written to this browser, then sent. @param done what applying gave, where the caller has it already @param beside what the same step changes besides captions */
  function change(edit: Edit, mergeable = false, done?: Applied, beside?: Beside): void {
    current?.change(edit, mergeable, done, beside);
  }

  /**
   * Makes one change in a track that is not open here; it is written to this browser and sent like any other.
   * @param of the edit for the captions as they stand there; null where there is nothing to do
   * @throws {ApiError} when the track cannot be had
   */
  async function changeOther(id: string, of: (captions: readonly Caption[]) => Edit | null): Promise<void> {
    const sync = await take(id);
    const edit = of(sync.captions());
    if (edit) sync.change(edit);
    release(id);
  }

  /** What this page shows becomes a track of its own, where the server’s log has become another; then the server’s is opened. */
  async function keepApart(job: string): Promise<void> {
    const sync = current;
    const shown = track.value;
    if (!sync || !shown) return;
    const { kind, language, foreign } = shown;
    const name = `${shown.name.slice(0, 90)} (kept from this page)`;
    const made = kind === 'machine' ? 'captions' : kind;
    const copy = { id: newId(), kind: made, language, name, foreign, captions: captions.value };
    await ask('POST /api/jobs/:id/tracks', { params: { id: job }, body: copy });
    await sync.abandon();
    await open(sync.id);
  }

  // It was given another name, language or kind, here or in another window.
  const job = useJob();
  watch(
    () => job.job?.tracks.find((each) => each.id === track.value?.id),
    (listed) => listed && current?.describe(listed),
  );
  watch(
    () => job.job?.deleted.find((each) => each.id === track.value?.id)?.name,
    (name, before) => {
      const told = (of: string): string =>
        `“${of}” was deleted in another window. What is done here is kept with it; bring it back under Tracks.`;
      if (name !== undefined) messages.notice = told(name);
      else if (before !== undefined && messages.notice === told(before)) messages.notice = null;
    },
  );

  // Its tracks have gone with it: the server is asked, so that it is known of the open one.
  watch(
    () => job.isGone,
    (gone) => gone && current?.poke(),
  );

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
  addEventListener('beforeunload', (event) => {
    if (keeping.value === 'nowhere') event.preventDefault();
  });

  const editable = computed(() => track.value !== null && track.value.kind !== 'machine');
  /** The captions that have times of their own. */
  const timed = computed(() => captions.value.filter((c) => c.timing === 'set'));
  /** How many captions have been proofed. */
  const proofed = computed(() => captions.value.reduce((n, c) => n + (c.proofed ? 1 : 0), 0));
  return {
    track,
    captions,
    trouble,
    keeping,
    waiting,
    asides,
    holdUp,
    lastChange,
    editable,
    timed,
    proofed,
    canUndo,
    canRedo,
    open,
    close,
    leftChanges,
    change,
    changeOther,
    endTyping: () => current?.endTyping(),
    composing,
    undo: () => current?.undo(),
    redo: () => current?.redo(),
    /** Sends what waits without gathering more, and asks a server that was away again. */
    saveNow: () => current?.poke(),
    keepApart,
    tryAside: (id: string) => current?.tryAside(id) ?? Promise.resolve(null),
    dropAside: async (id: string) => current?.dropAside(id),
  };
});
