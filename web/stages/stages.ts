/** The stages of a job; each comes in a piece of its own, so that the first page stays light. */
export const stages = {
  words: () => import('./words/WordsStage.vue'),
  tape: () => import('./tape/TapeStage.vue'),
  checks: () => import('./checks/ChecksStage.vue'),
  tracks: () => import('./tracks/TracksStage.vue'),
  handover: () => import('./handover/HandoverStage.vue'),
} as const;

/** Fetches every stage once a job is open, so that all of them work while the server is away. */
export function fetchStages(): void {
  for (const fetchStage of Object.values(stages)) {
    // A stage that cannot be fetched now is fetched when somebody goes there.
    fetchStage().catch(() => undefined);
  }
}
