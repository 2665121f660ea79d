declare module '*.css';
declare module '@fontsource-variable/*';

/** The CMU pronouncing dictionary as `dictionaryText` writes it; the build makes it. */
declare module 'virtual:pronouncing-dictionary' {
  const text: string;
  export default text;
}

/** For tools that read TypeScript without knowing single-file components. */
declare module '*.vue' {
  import type { DefineComponent } from 'vue';
  const component: DefineComponent;
  export default component;
}
