/** What a person prefers, kept in this browser. */
import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';

export type ThemeChoice = 'system' | 'light' | 'dark';

interface Kept {
  readonly theme: ThemeChoice;
  readonly holdWhileTyping: boolean;
  /** One step back or ahead, in ms. */
  readonly step: number;
}

const place = 'fenwix-preferences';
const fallback: Kept = { theme: 'system', holdWhileTyping: true, step: 2000 };

function kept(): Kept {
  try {
    return { ...fallback, ...(JSON.parse(localStorage.getItem(place) ?? '{}') as Partial<Kept>) };
  } catch {
    return fallback;
  }
}

export const usePreferences = defineStore('preferences', () => {
  const before = kept();
  const theme = ref(before.theme);
  const holdWhileTyping = ref(before.holdWhileTyping);
  const step = ref(before.step);
  const query = matchMedia('(prefers-color-scheme: dark)');
  const systemDark = ref(query.matches);
  query.addEventListener('change', (event) => (systemDark.value = event.matches));
  const dark = computed(() => theme.value === 'dark' || (theme.value === 'system' && systemDark.value));
  watch([theme, holdWhileTyping, step], () =>
    localStorage.setItem(
      place,
      JSON.stringify({ theme: theme.value, holdWhileTyping: holdWhileTyping.value, step: step.value }),
    ),
  );
  return { theme, dark, holdWhileTyping, step };
});
