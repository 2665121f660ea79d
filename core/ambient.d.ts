/**
 * The few globals the core uses that every JavaScript host has (browsers, workers, Node) and the
 * ECMAScript library types leave out. Nothing else of a host is visible from here.
 */
declare class TextDecoder {
  constructor(label?: string, options?: { readonly fatal?: boolean; readonly ignoreBOM?: boolean });
  readonly encoding: string;
  decode(input?: Uint8Array): string;
}

declare class TextEncoder {
  encode(input?: string): Uint8Array;
}
