/** Packages the tests hold our reading beside, which bring no types: as much of them as is used. */
declare module 'webvtt-parser' {
  export class WebVTTParser {
    parse(
      text: string,
      mode: 'metadata' | 'subtitles/captions/descriptions' | 'chapters',
    ): {
      readonly cues: readonly { readonly id: string; readonly startTime: number; readonly endTime: number }[];
      readonly errors: readonly { readonly message: string; readonly line: number }[];
    };
  }
}

declare module 'vtt.js' {
  interface Cue {
    readonly id: string;
    readonly startTime: number;
    readonly endTime: number;
  }
  interface Parser {
    oncue: (cue: Cue) => void;
    parse(text: string): void;
    flush(): void;
  }
  const vttjs: {
    readonly VTTCue: unknown;
    readonly VTTRegion: unknown;
    readonly WebVTT: {
      readonly Parser: new (host: object, decoder: unknown) => Parser;
      readonly StringDecoder: () => unknown;
    };
  };
  export default vttjs;
}

declare module 'node-webvtt' {
  const webvtt: { readonly parse: (text: string, options?: object) => { readonly cues: readonly unknown[] } };
  export default webvtt;
}

declare module 'wcwidth' {
  /** Columns of a text on a terminal. */
  export default function wcwidth(text: string): number;
}
