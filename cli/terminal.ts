/** What the commands need of the outside, so that they can be tried without it. */

import type { ModelFor } from '../core/audio/phones/models.ts';
import type { Recogniser } from '../core/audio/align/recogniser.ts';

/** A file that is read piece by piece. */
export interface OpenFile {
  /** In bytes. */
  readonly size: number;
  /** As many of the bytes from a place on as there are. */
  readonly read: (at: number, length: number) => Uint8Array;
}

export interface Terminal {
  /** Bytes of a file, or of standard input for `-`. @throws {CannotDo} */
  readonly read: (path: string) => Uint8Array;
  /** Writes a file whole or not at all, or to standard output for `-`. @throws {CannotDo} */
  readonly write: (path: string, text: string) => void;
  /** Whether two paths lead to one file that is there. */
  readonly same: (a: string, b: string) => boolean;
  /** Lends a file to be read piece by piece, until what is done with it is done. @throws {CannotDo} */
  readonly open: <T>(path: string, use: (file: OpenFile) => T) => T;
  /** Lends the sound of a recording of any kind as a WAV file; null where there is no ffmpeg, or it cannot read that. */
  readonly asWav: <T>(path: string, use: (file: OpenFile) => T) => T | null;
  /** The weights of the network that tells voices from other sound. */
  readonly voiceNet: () => ArrayBuffer;
  /** The recogniser with an acoustic model. */
  readonly recogniser: (model: ModelFor) => Promise<Recogniser>;
  readonly say: (text: string) => void;
  /** For what is not the result itself: warnings, reports beside a file on standard output. */
  readonly mutter: (text: string) => void;
}

/** How a command ended: 0 fine, 1 findings or loss, 2 could not. */
export type ExitStatus = 0 | 1 | 2;

/** @throws {CannotDo} with a sentence */
export type CommandLine = (words: readonly string[], terminal: Terminal) => ExitStatus | Promise<ExitStatus>;
