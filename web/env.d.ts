declare module '*.css';
declare module '@fontsource-variable/*';

/** For tools that read TypeScript without knowing single-file components. */
declare module '*.vue' {
  import type { DefineComponent } from 'vue';
  const component: DefineComponent;
  export default component;
}
