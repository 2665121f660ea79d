/** The theme that is on, as the page gives it to the controls it holds. */
import type { InjectionKey, Ref } from 'vue';

export type Theme = 'light' | 'dark';

/** Whoever writes it chooses another. */
export const themeInUse: InjectionKey<Ref<Theme>> = Symbol('theme');
