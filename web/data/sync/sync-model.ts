/** All that a track on its way knows, as one value, and what a step of it is. */
import type { ApiError } from '../../../core/contract/api-error.ts';
import type { Caption } from '../../../core/model/caption.ts';
import type { Edit } from '../../../core/model/edits.ts';
import { noHistory, type History } from '../../../core/model/history.ts';
import type { LoggedTrack } from '../../../core/model/logged.ts';
import type { PendingEdits, SetAside, WaitingEdit } from './outbox.ts';
import type { SyncEffect } from './sync-effects.ts';
import type { SyncState } from './sync-needs.ts';

export interface SyncModel {
  readonly track: string;
  /** This page. */
  readonly client: string;
  readonly state: SyncState;
  /** As the log has it; null until it is open. */
  readonly confirmed: LoggedTrack | null;
  /** As it is shown: with the own edits. */
  readonly shown: readonly Caption[];
  /** The own edits that the log does not have yet, in the order in which they were made. */
  readonly own: readonly WaitingEdit[];
  /** Those of them that the server has been sent and has not answered for. */
  readonly sent: readonly WaitingEdit[];
  readonly history: History;
  readonly asides: readonly SetAside[];
  readonly holdUp: ApiError | null;
  /** Whether this browser could not write down what waits. */
  readonly unwritten: boolean;
  /** The number of the edit that was made last. */
  readonly lastSeq: number;
  /** When something was typed last, in ms since 1970; 0 where the next is a step of its own. */
  readonly lastTyped: number;
  /** How often in a row the server was asked in vain. */
  readonly failures: number;
  /** So many edits are sent each by itself: their batch was refused. */
  readonly oneByOne: number;
  /** The latest edit that the log was told to have since it was asked. */
  readonly latest: number;
  /** Whether somebody looks. */
  readonly watched: boolean;
  /** Whether the server was to be asked while the track was opening. */
  readonly poked: boolean;
  /** Whether the server is being asked or sent something, and is to be asked `again` after that. */
  readonly delivering: 'no' | 'yes' | 'again';
  /** It was left, or never opened, and nothing goes on of it. */
  readonly ended: boolean;
}

/** Before anything is known. */
export const unopened = (track: string, client: string): SyncModel => ({
  track,
  client,
  state: 'opening',
  confirmed: null,
  shown: [],
  own: [],
  sent: [],
  history: noHistory,
  asides: [],
  holdUp: null,
  unwritten: false,
  lastSeq: 0,
  lastTyped: 0,
  failures: 0,
  oneByOne: 0,
  latest: 0,
  watched: true,
  poked: false,
  delivering: 'no',
  ended: false,
});

/** What a step comes to: the model after it, and what is to be done in the world, in this order. */
export interface Step {
  readonly model: SyncModel;
  readonly effects: readonly SyncEffect[];
}

export const stepTo = (model: SyncModel, effects: readonly SyncEffect[] = []): Step => ({ model, effects });

/** One step after another. */
export function andThen({ model, effects }: Step, next: (model: SyncModel) => Step): Step {
  const after = next(model);
  return { model: after.model, effects: [...effects, ...after.effects] };
}

/** The line of the outbox on which the own edits stand. */
export const lineOf = ({ track, client, confirmed }: SyncModel): PendingEdits => ({
  track,
  client,
  base: confirmed?.edit ?? 0,
  after: confirmed?.batch ?? null,
});

export const editsOf = (waiting: readonly WaitingEdit[]): Edit[] => waiting.map((w) => w.edit);
