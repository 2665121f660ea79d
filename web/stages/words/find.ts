/** Find and replace in the open track. */
import { pushAll } from '../../../core/text/push-all.ts';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { compile, type Query, type Seek } from '../../../core/find/query.ts';
import { matchesIn, type MatchInTrack } from '../../../core/find/replace.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { useSelection } from '../../data/tracks/selection.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { nextTurn } from '../../ui/idle.ts';
import { useShownSurface } from '../../desk/text/shown-surface.ts';
import { replaceIn } from '../../desk/suggestions/replacing.ts';

/** So long the page is kept at a time, in ms; the rest waits for the next turn. */
const slice = 6;

export const useFind = defineStore('find', () => {
  const track = useTrack();
  const shown = useShownSurface();
  const messages = useMessages();
  const cursor = useCursor();
  const selection = useSelection();
  const open = ref(false);
  const query = ref<Query>({ text: '', matchCase: false, wholeWords: false, pattern: false });
  const replacement = ref('');
  /** Ids of the captions that are looked in; null for all. */
  const within = shallowRef<ReadonlySet<string> | null>(null);
  const fault = ref<string | null>(null);
  const places = shallowRef<readonly MatchInTrack[]>([]);
  const looking = ref(false);
  /** The place the cursor was moved to; -1 before the first. */
  const now = ref(-1);
  /** Everything is about to be replaced, and what will change is shown. */
  const reviewing = ref(false);

  const known = new WeakMap<Caption, { readonly seek: Seek; readonly places: readonly MatchInTrack[] }>();
  /** The places in a caption; what was found in one that did not change is remembered. */
  function placesOf(caption: Caption, seek: Seek): readonly MatchInTrack[] {
    const before = known.get(caption);
    if (before?.seek === seek) return before.places;
    const found = matchesIn(caption, seek);
    known.set(caption, { seek, places: found });
    return found;
  }

  const compiled = computed(() => compile(query.value));
  let turn = 0;
  async function look(): Promise<void> {
    const mine = ++turn;
    fault.value = compiled.value.fault;
    const { seek } = compiled.value;
    if (!open.value || !seek) {
      if (places.value.length > 0) places.value = [];
      looking.value = false;
      return;
    }
    looking.value = true;
    await nextTurn();
    if (mine !== turn) return;
    const found: MatchInTrack[] = [];
    let began = performance.now();
    for (const caption of track.captions) {
      if (within.value?.has(caption.id) === false) continue;
      pushAll(found, placesOf(caption, seek));
      if (performance.now() - began < slice) continue;
      await nextTurn();
      if (mine !== turn) return;
      began = performance.now();
    }
    looking.value = false;
    places.value = found;
    if (now.value >= found.length) now.value = found.length - 1;
  }
  /** The search that is going on; what is asked of its places waits for it. */
  let looked: Promise<void> = Promise.resolve();
  watch([compiled, within, open, () => track.captions], () => (looked = look()));
  watch(compiled, () => (now.value = -1));
  watch([places, now], ([found], [before]) => {
    if (found.length > 0 || before.length > 0) shown.surface?.setFound(found, now.value);
  });

  /** Goes to the next place after the cursor, or the one before. */
  async function go(direction: 1 | -1): Promise<void> {
    await looked;
    const many = places.value.length;
    if (many === 0) return;
    if (now.value < 0) {
      const order = new Map(track.captions.map((c, i) => [c.id, i]));
      const here = cursor.index;
      const first = places.value.findIndex((p) => (order.get(p.caption) ?? 0) >= here);
      now.value = direction === 1 ? Math.max(0, first) : (first <= 0 ? many : first) - 1;
    } else now.value = (now.value + direction + many) % many;
    show();
  }
  function show(): void {
    const at = places.value[now.value];
    if (!at) return;
    cursor.goTo(at.caption, 'chosen');
    shown.surface?.select(at.caption, at.from, at.to);
  }

  /** Replaces the place the cursor was moved to, and goes on. */
  async function replaceOne(): Promise<void> {
    await looked;
    const at = places.value[now.value];
    if (!at) {
      await go(1);
      return;
    }
    const done = await replaceIn([at], replacement.value, query.value.pattern);
    await (looked = look());
    if (places.value.length === 0) return;
    // What came in its place is not looked at again.
    const same = places.value[now.value];
    if (!done || same?.caption !== at.caption || same.from < at.from + replacement.value.length) {
      const after = places.value.findIndex(
        (p, i) => i >= now.value && (p.caption !== at.caption || p.from >= at.from + replacement.value.length),
      );
      now.value = after < 0 ? 0 : after;
    }
    show();
  }

  /** Replaces these, as one step. */
  async function replaceMany(chosen: readonly MatchInTrack[]): Promise<void> {
    reviewing.value = false;
    const done = await replaceIn(chosen, replacement.value, query.value.pattern);
    messages.remark = done
      ? `${chosen.length === 1 ? 'One place was' : `${String(chosen.length)} places were`} replaced, one step to undo.`
      : 'Nothing was replaced: what would stand there is what stands there already.';
  }

  /** Opens the panel: looking for what is selected, or in it where that is several captions. */
  function start(): void {
    const { places: selected } = selection;
    const text = shown.surface?.selectedText() ?? '';
    if (!selected && text !== '' && text.length < 200)
      query.value = { ...query.value, text: text.replace(/\n/g, ' '), pattern: false };
    within.value = selected ? new Set(track.captions.slice(selected.from, selected.to + 1).map((c) => c.id)) : null;
    open.value = true;
  }
  function close(): void {
    open.value = false;
    reviewing.value = false;
    within.value = null;
    shown.surface?.view.focus();
  }

  return {
    open,
    query,
    replacement,
    within,
    fault,
    places,
    looking,
    now,
    reviewing,
    start,
    close,
    go,
    replaceOne,
    replaceMany,
  };
});
