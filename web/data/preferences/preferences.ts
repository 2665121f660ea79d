/** What a person prefers, kept in this browser as one object and heard from its other windows. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, type WritableComputedRef } from 'vue';
import { usualDoubt } from '../../../core/model/doubt.ts';
import { chosenNumber, flag, group, number, oneOf, text, textLists, texts, type PreferenceField } from './fields.ts';

/** Every preference there is: what it is until a person says otherwise, and what it can be. A new one is a line here. */
const fields = {
  theme: oneOf('system', 'light', 'dark'),
  holdWhileTyping: flag(true),
  /** One step back or ahead, in ms. */
  step: number(2000, { from: 100, to: 60_000 }),
  /** How loud the recording is played, from 0 to 1. */
  volume: number(1, { from: 0, to: 1 }),
  /** How Words is read. */
  reading: oneOf('lines', 'text'),
  /** Words the recogniser was less sure of than this are doubtful. */
  doubtBelow: number(usualDoubt, { from: 0, to: 1 }),
  /** A proofed caption stays proofed when its text is changed. */
  keepsProof: flag(false),
  /** A doubtful word is played as you move to it. */
  hearsDoubt: flag(true),
  /** Where a sentence end is typed, what follows begins with a capital. */
  capitals: flag(true),
  /** How wide the monitor was made by hand, in px. */
  monitorWidth: chosenNumber(),
  /** What draws an edge that is dragged on the tape. */
  snaps: group({
    speech: flag(true),
    words: flag(true),
    frames: flag(true),
    captions: flag(true),
    playhead: flag(true),
  }),
  /** What is marked by key is taken so much earlier, in ms: it was heard before the key went down. */
  reaction: number(150, { from: 0, to: 2000 }),
  /** On the tape, letters alone are commands (WCAG 2.1.4: they can be switched off). */
  singleKeys: flag(true),
  /** An edge is heard with so much before and after it, in ms. */
  edgeSpan: number(1500, { from: 0, to: 60_000 }),
  /** Paused, the picture goes to the caption that is chosen. */
  pictureFollows: flag(true),
  /** How far a key moves an edge, in ms: alone (0 for one picture, or 10 ms where there are none), with Shift, with Ctrl. */
  edgeSteps: group({
    alone: number(0, { from: 0, to: 60_000 }),
    shift: number(100, { from: 0, to: 60_000 }),
    ctrl: number(1000, { from: 0, to: 60_000 }),
  }),
  /** A soft click at the edge that is heard. */
  edgeClick: flag(false),
  /** The skyline shows how early or late captions are, in place of their speed. */
  showsDrift: flag(false),
  /** Long silences are drawn short on the tape. */
  foldsSilence: flag(false),
  /** Where words are said, on the tape. */
  showsWords: flag(true),
  /** The words of the machine draft beside them. */
  showsDraft: flag(false),
  /** Captions are shown with their numbers. */
  showsNumbers: flag(false),
  /** Times are shown as timecodes, with the number of the picture. */
  inFrames: flag(false),
  /** Of new jobs: the language and the house style of the last one that was made. */
  usualLanguage: text('en-GB'),
  usualStyle: text(''),
  /** Ids of tracks that are left beside their sound, the last first. */
  soundLeft: texts(500),
  /** Ids of tracks that are in the language they are said to be in, whatever they look like. */
  languageLeft: texts(500),
  /** Ids of the commands that were run from the finder, the last first. */
  recentCommands: texts(12),
  /** Keys that are not the usual ones, by the id of the command. */
  keys: textLists(),
};

type Fields = typeof fields;
type Preferences = { readonly [K in keyof Fields]: Fields[K] extends PreferenceField<infer T> ? T : never };
export type Snaps = Preferences['snaps'];

const storedUnder = 'fenwix-preferences';
const names = Object.keys(fields) as (keyof Preferences)[];
const whole = group<Preferences>(fields);

/** What is written down, as it stands now, whoever wrote it. */
function written(): unknown {
  try {
    return JSON.parse(localStorage.getItem(storedUnder) ?? '{}');
  } catch {
    return {};
  }
}

/** Writes one of them down and leaves the others as they are: another window may have changed those. */
function write(name: keyof Preferences, value: unknown): void {
  const found = written();
  const others = typeof found === 'object' && found !== null ? found : {};
  localStorage.setItem(storedUnder, JSON.stringify({ ...others, [name]: value }));
}

export const usePreferences = defineStore('preferences', () => {
  const all = shallowRef(whole.read(written()));
  addEventListener('storage', ({ key }) => {
    if (key === storedUnder || key === null) all.value = whole.read(written());
  });
  const each = Object.fromEntries(
    names.map((name) => [
      name,
      computed({
        get: () => all.value[name],
        set: (value) => {
          all.value = { ...all.value, [name]: value };
          write(name, value);
        },
      }),
    ]),
  ) as unknown as { readonly [K in keyof Preferences]: WritableComputedRef<Preferences[K]> };

  const query = matchMedia('(prefers-color-scheme: dark)');
  const systemDark = ref(query.matches);
  query.addEventListener('change', (event) => (systemDark.value = event.matches));
  const dark = computed(() => all.value.theme === 'dark' || (all.value.theme === 'system' && systemDark.value));
  return { ...each, dark };
});
