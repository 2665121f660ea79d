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
  interface Memory {
    readonly buffer: ArrayBuffer;
  }
  interface Module {
    readonly [Symbol.toStringTag]: string;
  }
  interface Instance {
    readonly exports: Readonly<Record<string, unknown>>;
  }
  const Memory: new (size: { readonly initial: number }) => Memory;
  const Module: new (bytes: Uint8Array) => Module;
  const Instance: new (module: Module, imports: Readonly<Record<string, Readonly<Record<string, Memory>>>>) => Instance;
}
