/** Each stage comes in a piece of its own, so that the first page stays light. */
import type { Component } from 'vue';
import type { StageName } from './stages.ts';

export const stagePieces: Readonly<Record<StageName, () => Promise<{ readonly default: Component }>>> = {
  words: () => import('./words/WordsStage.vue'),
  tape: () => import('./tape/TapeStage.vue'),
  checks: () => import('./checks/ChecksStage.vue'),
  tracks: () => import('./tracks/TracksStage.vue'),
  handover: () => import('./handover/HandoverStage.vue'),
};

/** Fetches every stage once a job is open, so that all of them work while the server is away. */
export function fetchStages(): void {
  for (const fetchStage of Object.values(stagePieces)) {
    // A stage that cannot be fetched now is fetched when somebody goes there.
    fetchStage().catch(() => undefined);
  }
}
