/** `1 caption`, `2 captions`. @param many the plural, where it is no `s` more */
export const plural = (n: number, one: string, many = `${one}s`): string => `${String(n)} ${n === 1 ? one : many}`;
