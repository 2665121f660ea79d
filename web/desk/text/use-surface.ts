/** A text surface on the page: over the whole track in Words, over a few of its captions on the tape; every key does the same in both. */
import { onBeforeUnmount, onMounted, watch, type Ref } from 'vue';
import { useRouter } from 'vue-router';
import type { Caption } from '../../../core/model/caption.ts';
import { useNewCaptions } from '../captions/use-new-captions.ts';
import { nonce } from '../../ui/nonce.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useDroppedFile } from '../../data/jobs/dropped-file.ts';
import { useFindings } from '../findings/findings.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTimes } from '../../data/tracks/times.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { newId } from '../../data/sync/ids.ts';
import { useShownSurface } from './shown-surface.ts';
import type { Around } from './state.ts';
import { useTypeAhead } from './type-ahead.ts';
import { createSurface, type Surface } from './surface.ts';
import type { SurfaceOptions } from './surface-options.ts';
import { useCapitals } from '../suggestions/use-capitals.ts';
import { useCorrections } from '../suggestions/corrections.ts';

interface Shown extends Pick<SurfaceOptions, 'covered' | 'onView' | 'onSelect'> {
  readonly captions: () => readonly Caption[];
  /** These are all captions of the track: what the surface applied is what the track becomes. */
  readonly isWhole: boolean;
  /** How the text is read; as it is preferred where it is left out. */
  readonly reading?: Around['reading'];
}

/**
 * Puts a surface up for as long as the component is there, with the cursor in the cursor caption.
 * @param parent what it stands in
 * @returns gives it; null before it is there, and where no job is open
 */
export function useSurface(
  parent: Readonly<Ref<HTMLElement | null>>,
  { captions, isWhole, reading, ...own }: Shown,
): () => Surface | null {
  const track = useTrack();
  const cursor = useCursor();
  const shown = useShownSurface();
  const findings = useFindings();
  const messages = useMessages();
  const playback = usePlayback();
  const corrections = useCorrections();
  const capitals = useCapitals();
  const made = useNewCaptions();
  const dropped = useDroppedFile();
  const router = useRouter();
  let surface: Surface | null = null;

  const find = (id: string): Caption | undefined => track.captions.find((c) => c.id === id);
  const { around, watched } = useAround(reading);
  /** Plays from a moment of a caption, which becomes the cursor caption. */
  function goTo(id: string, moment: (caption: Caption) => number): void {
    const caption = find(id);
    if (!caption) return;
    playback.seek(moment(caption));
    cursor.enter(id);
  }

  const opensText = openedWhenAsked(() => surface, captions);
  onMounted(() => {
    const first = around();
    if (!parent.value || !first) return;
    surface = createSurface({
      ...own,
      parent: parent.value,
      nonce,
      captions: captions(),
      around: first,
      context: () => findings.context,
      editable: () => track.editable,
      newId,
      onChange({ edit, applied, mergeable }) {
        const before = edit.type === 'splice' ? find(edit.id) : undefined;
        track.change(edit, mergeable, isWhole ? applied : undefined);
        playback.typed();
        if (before) corrections.typing(before);
        // The surface is still taking this change in.
        queueMicrotask(() => capitals.typed(edit));
      },
      onMove: track.endTyping,
      onComposing: (now) => (track.composing = now),
      onTime: (id) => goTo(id, ({ start }) => start),
      onHear: (id, offset) => goTo(id, ({ words, start }) => words.find((w) => w[1] >= offset)?.[2] ?? start),
      onTooMuch(text) {
        messages.notice = `The clipboard holds ${text.length.toLocaleString('en')} characters, more than can be pasted into captions at once. Nothing was changed; they are looked at here as a file, to become a track of their own if you want that.`;
        dropped.file = new File([text], 'pasted text.txt', { type: 'text/plain' });
        void router.push({ name: 'tracks' });
      },
      // On the tape what comes after the last caption has a place there; in Words nobody has said when it is.
      onBeside: isWhole ? made.insertBeside : made.insertBesideTimed,
      onEnter: cursor.enter,
    });
    shown.surface = surface;
    if (cursor.caption) surface.show(cursor.caption.id, true);
    surface.view.focus();
    opensText();
  });
  onBeforeUnmount(() => {
    corrections.settle();
    track.composing = false;
    // Another may be there already.
    if (shown.surface === surface) shown.surface = null;
    surface?.destroy();
  });
  // A part of the track is another list at each change, and is handed over when the surface is done with its own.
  watch(captions, (now) => surface?.setCaptions(now), { flush: isWhole ? 'sync' : 'post' });
  watch(watched, (now, before) => {
    const next = around();
    if (next) surface?.setAround(next);
    if (now[0] !== before[0]) requestAnimationFrame(() => surface?.view.focus());
  });
  return () => surface;
}

/** What the surface needs to know besides the captions. @param reading how the text is read; as it is preferred where it is left out */
function useAround(reading: Shown['reading']) {
  const job = useJob();
  const cursor = useCursor();
  const times = useTimes();
  const findings = useFindings();
  const preferences = usePreferences();
  const around = (): Around | null =>
    job.job && {
      style: job.job.style,
      findings: findings.found.byCaption,
      cursor: cursor.caption?.id ?? null,
      reading: reading ?? preferences.reading,
      clock: times.clock,
      doubtBelow: preferences.doubtBelow,
      keepsProof: preferences.keepsProof,
      showsNumbers: preferences.showsNumbers,
    };
  /** Whatever of it changes; how the text is read first. */
  const watched = [
    () => reading ?? preferences.reading,
    () => findings.found,
    () => cursor.caption?.id,
    () => job.job?.style,
    () => preferences.doubtBelow,
    () => preferences.keepsProof,
    () => preferences.showsNumbers,
    () => times.clock,
  ] as const;
  return { around, watched };
}

/**
 * Opens the text of the caption that is to be written in, where the surface has it, with what was typed for it meanwhile.
 * @returns does so now
 */
function openedWhenAsked(surface: () => Surface | null, captions: () => readonly Caption[]): () => void {
  const cursor = useCursor();
  const ahead = useTypeAhead();
  function open(): void {
    const id = cursor.toWrite;
    const shown = surface();
    if (id === null || !shown || !captions().some((c) => c.id === id)) return;
    const typed = ahead.take();
    shown.show(id, true);
    shown.view.focus();
    if (typed !== '') shown.view.dispatch(shown.view.state.replaceSelection(typed), { userEvent: 'input.type' });
  }
  watch(() => cursor.toWrite, open, { flush: 'post' });
  return open;
}
