/** The CSS colour names with their values; the package brings no types of its own. */
declare module 'color-name' {
  const names: Readonly<Record<string, readonly [red: number, green: number, blue: number]>>;
  export default names;
}
