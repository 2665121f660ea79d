/** The track that is open, as the page shows it: a thin view of its `TrackSync`. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import type { Caption, Track } from '../../../core/model/caption.ts';
import type { Applied } from '../../../core/model/apply.ts';
import type { Edit } from '../../../core/model/edits.ts';
import type { Beside, Joins } from '../../../core/model/history.ts';
import { sentence, type ApiError } from '../../../core/contract/api-error.ts';
import { ask } from '../client/client.ts';
import { newId } from '../sync/ids.ts';
import type { SetAside } from '../sync/outbox.ts';
import { useJob } from '../jobs/job.ts';
import { useMessages } from '../messages/messages.ts';
import { useOpening } from '../jobs/opening.ts';
import type { SyncEvent } from '../sync/sync-needs.ts';
import type { TrackSync } from '../sync/track-sync.ts';
import { savedStateOf, type SavedState } from './saved-state.ts';
import { useSyncs } from './syncs.ts';
import { tellOfDeletion, tellPerson } from './track-notices.ts';

export const useTrack = defineStore('track', () => {
  const track = shallowRef<Track | null>(null);
  const captions = shallowRef<readonly Caption[]>([]);
  const trouble = ref<string | null>(null);
  const savedState = ref<SavedState>('saved');
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

  const syncs = useSyncs();
  const begun = useOpening();
  let current: TrackSync | null = null;

  /** Shows how things stand with the track that is open. */
  function show(sync: TrackSync): void {
    const confirmed = sync.confirmed();
    captions.value = sync.captions();
    if (confirmed) track.value = confirmed;
    waiting.value = sync.waiting();
    savedState.value = savedStateOf(sync);
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
    if (event.type === 'beside') void job.putBack(event.beside);
    tellPerson(event);
  }
  syncs.viewedBy({ hear, composed: (sync) => (sync === current ? composed() : Promise.resolve()) });

  let opening = 0;
  async function open(id: string): Promise<void> {
    close();
    const mine = ++opening;
    trouble.value = null;
    try {
      const sync = await syncs.take(id, begun.takeTrack(id));
      if (mine !== opening) {
        // Another track was asked for meanwhile; this one goes on by itself with what waits.
        syncs.release(id);
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
    if (left) syncs.release(left.id);
    track.value = null;
    captions.value = [];
    waiting.value = 0;
    [asides.value, holdUp.value] = [[], null];
    savedState.value = 'saved';
    [canUndo.value, canRedo.value] = [false, false];
    lastChange.value = null;
  }

  /** Makes a change: shown at once, written to this browser, then sent. @param joins whether it may join the step before, for undo @param done what applying gave, where the caller has it already @param beside what the same step changes besides captions */
  function change(edit: Edit, joins: Joins = false, done?: Applied, beside?: Beside): void {
    current?.change(edit, joins, done, beside);
  }

  /**
   * Makes one change in a track that is not open here; it is written to this browser and sent like any other.
   * @param of the edit for the captions as they stand there; null where there is nothing to do
   * @throws {ApiError} when the track cannot be had
   */
  async function changeOther(id: string, of: (captions: readonly Caption[]) => Edit | null): Promise<void> {
    const sync = await syncs.take(id);
    const edit = of(sync.captions());
    if (edit) sync.change(edit);
    syncs.release(id);
  }

  /** What this page shows becomes a track of its own, where the server’s log has become another; then the server’s is opened. */
  async function keepApart(job: string): Promise<void> {
    const sync = current;
    const shown = track.value;
    if (!sync || !shown) return;
    await ask('POST /api/jobs/:id/tracks', { params: { id: job }, body: keptFrom(shown, captions.value) });
    await sync.abandon();
    await open(sync.id);
  }

  // It was given another name, language or kind, here or in another window.
  const job = useJob();
  watch(
    () => job.job?.tracks.find((each) => each.id === track.value?.id),
    (listed) => listed && current?.describe(listed),
  );
  tellOfDeletion(() => track.value);
  // Its tracks have gone with it: the server is asked, so that it is known of the open one.
  watch(
    () => job.isGone,
    (gone) => gone && current?.poke(),
  );

  return {
    track,
    captions,
    trouble,
    savedState,
    waiting,
    asides,
    holdUp,
    lastChange,
    ...figuresOf(track, captions),
    canUndo,
    canRedo,
    open,
    close,
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

/** What follows from the track and its captions. */
function figuresOf(track: Readonly<Ref<Track | null>>, captions: Readonly<Ref<readonly Caption[]>>) {
  const editable = computed(() => track.value !== null && track.value.kind !== 'machine');
  /** Why nothing can be changed in it, as a sentence; null where it can. */
  const whyReadOnly = computed(() =>
    editable.value ? null : 'A machine draft stays as it came. Copy it as a new track first, in Tracks.',
  );
  /** The captions that have times of their own. */
  const timed = computed(() => captions.value.filter((c) => c.timing === 'set'));
  /** How many captions have been proofed. */
  const proofed = computed(() => captions.value.reduce((n, c) => n + (c.proofed ? 1 : 0), 0));
  return { editable, whyReadOnly, timed, proofed };
}

/** A track with what this page shows of another. */
const keptFrom = ({ kind, language, foreign, name }: Track, captions: readonly Caption[]) => ({
  id: newId(),
  kind: kind === 'machine' ? ('captions' as const) : kind,
  language,
  name: `${name.slice(0, 90)} (kept from this page)`,
  foreign,
  captions,
});
