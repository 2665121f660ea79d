/** The track that is open: its captions as shown, its history, and the way of every change to disk. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import type { Caption, Track } from '../../core/track/caption.ts';
import { apply, merge, touches, type Applied, type Edit } from '../../core/track/edits.ts';
import {
  noHistory,
  redo as redoStep,
  remember,
  undo as undoStep,
  type History,
  type Reversal,
} from '../../core/track/history.ts';
import { rebase } from '../../core/track/rebase.ts';
import { ask, Refusal, sentence } from '../api/client.ts';
import { applyAll, deliverLeft, newId, post, type Behind } from '../outbox/deliver.ts';
import { livePage, openOutbox, orphans, type Batch, type Outbox } from '../outbox/outbox.ts';

/** How long typing gathers before it is sent, in ms. */
const gather = 350;
const retryAfter = 2000;

/** `kept` by the server; `keeping`; `here` only, in this browser, while the server is away; `nowhere`, when even that failed. */
export type Keeping = 'kept' | 'keeping' | 'here' | 'nowhere';

export const useTrack = defineStore('track', () => {
  const track = shallowRef<Track | null>(null);
  const captions = shallowRef<readonly Caption[]>([]);
  const trouble = ref<string | null>(null);
  const keeping = ref<Keeping>('kept');
  const waiting = ref(0);
  /** Something a person has to know, as a sentence; it stays until they say so. */
  const notice = ref<string | null>(null);
  /** What came of the last thing that was asked for, as a sentence; set it after the change, for it goes with the next one. */
  const remark = ref<string | null>(null);
  watch(captions, () => (remark.value = null), { flush: 'sync' });
  const history = shallowRef<History>(noHistory);
  /** The last change and the captions it touched, for stages that go where it was. */
  const lastChange = shallowRef<{ readonly by: 'hand' | 'undo'; readonly ids: readonly string[] } | null>(null);

  let confirmed: Track | null = null;
  let batches: Batch[] = [];
  let sealed: string | null = null;
  let outbox: Outbox | null = null;
  let client = '';
  let order = 0;
  let lastTyped = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let channel: BroadcastChannel | null = null;

  /** Says how things stand; that this browser could not keep something stands until the server has it. */
  function report(state?: 'keeping' | 'here'): void {
    waiting.value = batches.reduce((n, b) => n + b.edits.length, 0);
    if (waiting.value === 0) keeping.value = 'kept';
    else if (keeping.value !== 'nowhere') keeping.value = state ?? (keeping.value === 'here' ? 'here' : 'keeping');
  }

  async function open(id: string): Promise<void> {
    close();
    trouble.value = null;
    try {
      client ||= await livePage();
      outbox ??= await openOutbox();
      const left = await orphans(await outbox.all(id));
      const doubled = await deliverLeft(left, outbox);
      if (doubled > 0)
        notice.value = `${String(doubled)} captions were changed here and elsewhere; both versions are in the track.`;
      confirmed = await ask<Track>('GET', `/tracks/${id}`);
      track.value = confirmed;
      captions.value = confirmed.captions;
      channel = new BroadcastChannel(`fenwix-track-${id}`);
      channel.onmessage = () => send(0);
    } catch (error) {
      trouble.value = sentence(error);
    }
  }

  function close(): void {
    clearTimeout(timer);
    channel?.close();
    channel = null;
    track.value = null;
    confirmed = null;
    captions.value = [];
    history.value = noHistory;
    batches = [];
    lastChange.value = null;
    report();
  }

  function write(batch: Batch): void {
    outbox?.put(batch).catch(() => {
      keeping.value = 'nowhere';
    });
  }

  /** Puts an edit into the batch that is still open, or begins one. */
  function enqueue(edit: Edit, mergeable: boolean): void {
    if (!confirmed) return;
    const last = batches.at(-1);
    if (last && last.id !== sealed) {
      const before = last.edits.at(-1);
      const together = mergeable && before ? merge(before, edit) : null;
      const edits = together ? [...last.edits.slice(0, -1), together] : [...last.edits, edit];
      const next = { ...last, edits };
      batches = [...batches.slice(0, -1), next];
      write(next);
    } else {
      const next: Batch = {
        id: newId(),
        track: confirmed.id,
        client,
        order: Date.now() * 1000 + (order++ % 1000),
        base: confirmed.edit,
        edits: [edit],
      };
      batches = [...batches, next];
      write(next);
    }
    report();
    send(gather);
  }

  function send(after: number): void {
    clearTimeout(timer);
    timer = setTimeout(() => void pump(), after);
  }

  /** Takes in what others did: own edits are carried over it. */
  function catchUp({ edit, since }: Behind): void {
    if (!confirmed) return;
    const own = batches.flatMap((b) => b.edits);
    const carried = rebase(confirmed.captions, own, since, newId);
    confirmed = { ...confirmed, edit, captions: applyAll(confirmed.captions, since) };
    const next: Batch | null =
      carried.edits.length > 0
        ? { id: newId(), track: confirmed.id, client, order: Date.now() * 1000, base: edit, edits: carried.edits }
        : null;
    void outbox?.exchange(
      batches.map((b) => b.id),
      next,
    );
    batches = next ? [next] : [];
    sealed = null;
    captions.value = carried.captions;
    track.value = { ...confirmed };
    if (carried.kept.length > 0)
      notice.value = `${String(carried.kept.length)} captions were changed here and in another window; both versions are in the track.`;
  }

  /** An input method is composing: the text on the surface must not change under it. */
  const composing = ref(false);
  async function composed(): Promise<void> {
    if (composing.value) await new Promise((ended) => watch(composing, ended, { once: true }));
  }

  let pumping = false;
  async function pump(): Promise<void> {
    if (pumping) {
      send(100);
      return;
    }
    pumping = true;
    const id = confirmed?.id;
    try {
      if (batches.length === 0 && confirmed) {
        const { edits } = await ask<{ edits: Edit[] }>(
          'GET',
          `/tracks/${confirmed.id}/edits?after=${String(confirmed.edit)}`,
        );
        const edit = confirmed.edit + edits.length;
        await composed();
        if (edits.length > 0 && confirmed.id === id) catchUp({ edit, since: edits });
      }
      for (let batch = batches[0]; batch && confirmed?.id === id; batch = batches[0]) {
        sealed = batch.id;
        const current: Batch = { ...batch, base: confirmed?.edit ?? batch.base };
        const answer = await post(current);
        if (!confirmed || confirmed.id !== id) break;
        if (typeof answer === 'number') {
          confirmed = { ...confirmed, edit: answer, captions: applyAll(confirmed.captions, current.edits) };
          // What is still to go was made on top of this, and has to say so should the page be closed now.
          batches = batches.slice(1).map((b) => ({ ...b, base: answer }));
          await outbox?.exchange([current.id], batches[0] ?? null);
          track.value = { ...confirmed };
          channel?.postMessage(answer);
        } else {
          await composed();
          if (confirmed.id !== id) break;
          catchUp(answer);
        }
        sealed = null;
        report('keeping');
      }
      report('keeping');
    } catch (error) {
      const refused = error instanceof Refusal && error.status >= 400 && error.status < 500 && error.status !== 429;
      if (refused) notice.value = `${sentence(error)} It is still in this browser.`;
      report('here');
      if (!refused) send(retryAfter);
    } finally {
      pumping = false;
    }
  }

  /** Makes a change: shown at once, written to this browser, then sent. @param done what applying gave, where the caller has it already */
  function change(edit: Edit, mergeable = false, done: Applied = apply(captions.value, edit)): void {
    const now = Date.now();
    const runsOn = mergeable && now - lastTyped < 1500;
    history.value = remember(history.value, edit, done.inverse, done.captions, runsOn);
    captions.value = done.captions;
    lastTyped = mergeable ? now : 0;
    lastChange.value = { by: 'hand', ids: touches(edit) };
    enqueue(edit, runsOn);
  }

  /** What is typed next becomes a step of its own. */
  function endTyping(): void {
    lastTyped = 0;
  }

  function take(reversal: Reversal): void {
    history.value = reversal.history;
    lastTyped = 0;
    if (reversal.skipped > 0)
      notice.value = 'A step was passed over, because its caption has been changed elsewhere since.';
    if (!reversal.edit) return;
    captions.value = apply(captions.value, reversal.edit).captions;
    lastChange.value = { by: 'undo', ids: touches(reversal.edit) };
    enqueue(reversal.edit, false);
  }
  const undo = (): void => take(undoStep(history.value, captions.value));
  const redo = (): void => take(redoStep(history.value, captions.value));

  addEventListener('online', () => send(0));
  addEventListener('beforeunload', (event) => {
    if (keeping.value === 'nowhere') event.preventDefault();
  });

  const editable = computed(() => track.value !== null && track.value.kind !== 'machine');
  /** How many captions have been proofed. */
  const proofed = computed(() => captions.value.reduce((n, c) => n + (c.proofed ? 1 : 0), 0));
  const canUndo = computed(() => history.value.undo.length > 0);
  const canRedo = computed(() => history.value.redo.length > 0);
  return {
    track,
    captions,
    trouble,
    keeping,
    waiting,
    notice,
    remark,
    lastChange,
    editable,
    proofed,
    canUndo,
    canRedo,
    open,
    close,
    change,
    endTyping,
    composing,
    undo,
    redo,
  };
});
