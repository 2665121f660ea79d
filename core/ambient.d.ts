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

declare function atob(encoded: string): string;

declare namespace WebAssembly {
  class Memory {
    constructor(size: { readonly initial: number });
    readonly buffer: ArrayBuffer;
  }
  class Module {
    constructor(bytes: Uint8Array);
  }
  class Instance {
    constructor(module: Module, imports: Readonly<Record<string, Readonly<Record<string, Memory>>>>);
    readonly exports: Readonly<Record<string, unknown>>;
  }
}
