/** Modules that the build makes. */

/** The CMU pronouncing dictionary as `dictionaryText` writes it. */
declare module 'virtual:pronouncing-dictionary' {
  const text: string;
  export default text;
}
