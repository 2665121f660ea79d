/** What a person prefers, kept in this browser. */
import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import { usualDoubt } from '../../core/track/doubt.ts';

export type ThemeChoice = 'system' | 'light' | 'dark';

/** What draws an edge that is dragged on the tape. */
export interface Snaps {
  readonly speech: boolean;
  readonly words: boolean;
  readonly frames: boolean;
  readonly captions: boolean;
  readonly playhead: boolean;
}

interface KeptPreferences {
  readonly theme: ThemeChoice;
  readonly holdWhileTyping: boolean;
  /** One step back or ahead, in ms. */
  readonly step: number;
  /** How Words is read. */
  readonly reading: 'lines' | 'text';
  /** Words the recogniser was less sure of than this are doubtful. */
  readonly doubtBelow: number;
  /** A proofed caption stays proofed when its text is changed. */
  readonly keepsProof: boolean;
  /** A doubtful word is played as you move to it. */
  readonly hearsDoubt: boolean;
  /** Where a sentence end is typed, what follows begins with a capital. */
  readonly capitals: boolean;
  /** How wide the monitor was made by hand, in px; null while nobody has. */
  readonly monitorWidth: number | null;
  readonly snaps: Snaps;
  /** What is marked by key is taken so much earlier, in ms: it was heard before the key went down. */
  readonly reaction: number;
  /** On the tape, letters alone are commands (WCAG 2.1.4: they can be switched off). */
  readonly singleKeys: boolean;
  /** An edge is heard with so much before and after it, in ms. */
  readonly edgeSpan: number;
  /** How far a key moves an edge, in ms: alone (0 for one picture, or 10 ms where there are none), with Shift, with Ctrl. */
  readonly edgeSteps: { readonly alone: number; readonly shift: number; readonly ctrl: number };
  /** A soft click at the edge that is heard. */
  readonly edgeClick: boolean;
  /** The skyline shows how early or late captions are, in place of their speed. */
  readonly showsDrift: boolean;
  /** Long silences are drawn short on the tape. */
  readonly foldsSilence: boolean;
  /** Where words are said, on the tape. */
  readonly showsWords: boolean;
  /** The words of the machine draft beside them. */
  readonly showsDraft: boolean;
  /** Times are shown as timecodes, with the number of the picture. */
  readonly inFrames: boolean;
  /** Keys that are not the usual ones, by the id of the command. */
  readonly keys: Readonly<Record<string, readonly string[]>>;
}

const place = 'fenwix-preferences';
const fallback: KeptPreferences = {
  theme: 'system',
  holdWhileTyping: true,
  step: 2000,
  reading: 'lines',
  doubtBelow: usualDoubt,
  keepsProof: false,
  hearsDoubt: true,
  capitals: true,
  monitorWidth: null,
  reaction: 150,
  singleKeys: true,
  edgeSpan: 1500,
  edgeSteps: { alone: 0, shift: 100, ctrl: 1000 },
  edgeClick: false,
  showsDrift: false,
  foldsSilence: false,
  showsWords: true,
  showsDraft: false,
  inFrames: false,
  snaps: { speech: true, words: true, frames: true, captions: true, playhead: true },
  keys: {},
};

function kept(): KeptPreferences {
  try {
    const found = JSON.parse(localStorage.getItem(place) ?? '{}') as Partial<KeptPreferences>;
    return {
      ...fallback,
      ...found,
      snaps: { ...fallback.snaps, ...found.snaps },
      edgeSteps: { ...fallback.edgeSteps, ...found.edgeSteps },
    };
  } catch {
    return fallback;
  }
}

export const usePreferences = defineStore('preferences', () => {
  const before = kept();
  const theme = ref(before.theme);
  const holdWhileTyping = ref(before.holdWhileTyping);
  const step = ref(before.step);
  const reading = ref(before.reading);
  const doubtBelow = ref(before.doubtBelow);
  const keepsProof = ref(before.keepsProof);
  const hearsDoubt = ref(before.hearsDoubt);
  const capitals = ref(before.capitals);
  const monitorWidth = ref(before.monitorWidth);
  const snaps = ref(before.snaps);
  const reaction = ref(before.reaction);
  const singleKeys = ref(before.singleKeys);
  const edgeSpan = ref(before.edgeSpan);
  const edgeSteps = ref(before.edgeSteps);
  const edgeClick = ref(before.edgeClick);
  const showsDrift = ref(before.showsDrift);
  const foldsSilence = ref(before.foldsSilence);
  const showsWords = ref(before.showsWords);
  const showsDraft = ref(before.showsDraft);
  const inFrames = ref(before.inFrames);
  const keys = ref(before.keys);
  const query = matchMedia('(prefers-color-scheme: dark)');
  const systemDark = ref(query.matches);
  query.addEventListener('change', (event) => (systemDark.value = event.matches));
  const dark = computed(() => theme.value === 'dark' || (theme.value === 'system' && systemDark.value));
  const all = computed<KeptPreferences>(() => ({
    theme: theme.value,
    holdWhileTyping: holdWhileTyping.value,
    step: step.value,
    reading: reading.value,
    doubtBelow: doubtBelow.value,
    keepsProof: keepsProof.value,
    hearsDoubt: hearsDoubt.value,
    capitals: capitals.value,
    monitorWidth: monitorWidth.value,
    snaps: snaps.value,
    reaction: reaction.value,
    singleKeys: singleKeys.value,
    edgeSpan: edgeSpan.value,
    edgeSteps: edgeSteps.value,
    edgeClick: edgeClick.value,
    showsDrift: showsDrift.value,
    foldsSilence: foldsSilence.value,
    showsWords: showsWords.value,
    showsDraft: showsDraft.value,
    inFrames: inFrames.value,
    keys: keys.value,
  }));
  watch(all, (now) => localStorage.setItem(place, JSON.stringify(now)));
  return {
    theme,
    dark,
    holdWhileTyping,
    step,
    reading,
    doubtBelow,
    keepsProof,
    hearsDoubt,
    capitals,
    monitorWidth,
    snaps,
    reaction,
    singleKeys,
    edgeSpan,
    edgeSteps,
    edgeClick,
    showsDrift,
    foldsSilence,
    showsWords,
    showsDraft,
    inFrames,
    keys,
  };
});
