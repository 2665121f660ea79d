/** What a person prefers, kept in this browser. */
import { defineStore } from 'pinia';
import { computed, ref, watch, type Ref } from 'vue';
import { usualDoubt } from '../../../core/model/doubt.ts';

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

const names = Object.keys(fallback) as (keyof KeptPreferences)[];
const choices: Partial<Readonly<Record<keyof KeptPreferences, readonly unknown[]>>> = {
  theme: ['system', 'light', 'dark'],
  reading: ['lines', 'text'],
};

/** Whether a value can be that of a preference: an older or a later page, or a hand, may have written another. */
function fits(name: keyof KeptPreferences, value: unknown): boolean {
  if (choices[name]) return choices[name].includes(value);
  if (name === 'monitorWidth' && (value === null || typeof value === 'number')) return true;
  return typeof value === typeof fallback[name] && value !== null;
}

/** What is written down, as it stands now, whoever wrote it. */
function written(): Partial<Record<keyof KeptPreferences, unknown>> {
  try {
    const found: unknown = JSON.parse(localStorage.getItem(place) ?? '{}');
    return typeof found === 'object' && found !== null ? found : {};
  } catch {
    return {};
  }
}

/** All preferences: those that are written down, and the usual ones for the rest. */
function kept(): KeptPreferences {
  const found = written();
  const all = { ...fallback, ...Object.fromEntries(names.flatMap((n) => (fits(n, found[n]) ? [[n, found[n]]] : []))) };
  return {
    ...all,
    snaps: { ...fallback.snaps, ...all.snaps },
    edgeSteps: { ...fallback.edgeSteps, ...all.edgeSteps },
  };
}

/** Writes one of them down and leaves the others as they are: another window may have changed those. */
function keep(name: keyof KeptPreferences, value: unknown): void {
  const found = written();
  if (JSON.stringify(found[name]) !== JSON.stringify(value))
    localStorage.setItem(place, JSON.stringify({ ...found, [name]: value }));
}

type Values = { readonly [K in keyof KeptPreferences]: Ref<KeptPreferences[K]> };

export const usePreferences = defineStore('preferences', () => {
  const before = kept();
  const values = Object.fromEntries(names.map((name) => [name, ref(before[name])])) as unknown as Values;
  for (const name of names) watch(values[name], (now) => keep(name, now));
  addEventListener('storage', ({ key }) => {
    if (key !== place && key !== null) return;
    const now = kept();
    for (const name of names)
      if (JSON.stringify(values[name].value) !== JSON.stringify(now[name])) (values[name] as Ref).value = now[name];
  });
  const query = matchMedia('(prefers-color-scheme: dark)');
  const systemDark = ref(query.matches);
  query.addEventListener('change', (event) => (systemDark.value = event.matches));
  const { theme } = values;
  const dark = computed(() => theme.value === 'dark' || (theme.value === 'system' && systemDark.value));
  return { ...values, dark };
});
