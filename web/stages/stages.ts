/** The stages of a job, listed once. What a stage has besides is asked for by its name. */
export const stages = [
  { name: 'words', title: 'Words' },
  { name: 'tape', title: 'Tape' },
  { name: 'checks', title: 'Checks' },
  { name: 'tracks', title: 'Tracks' },
  { name: 'handover', title: 'Handover' },
] as const;

export type StageName = (typeof stages)[number]['name'];
