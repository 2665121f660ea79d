/** Long work, as the server keeps it: sending, bringing a recording somewhere, drawing its picture, moving tracks alike. */

/** Who runs each kind. */
export const workKinds = {
  /** Puts a recording at a destination. */
  'bring-recording': 'server',
  /** Hands captions over. */
  'send-captions': 'server',
  /** Asks a destination how what it was handed fares. */
  'follow-receipt': 'server',
  /** Moves the times of several tracks alike. */
  'move-tracks': 'server',
  /** Draws the small picture that stands for a recording. */
  'draw-poster': 'page',
} as const satisfies Readonly<Record<string, 'server' | 'page'>>;

export type WorkKind = keyof typeof workKinds;

/** `waiting` for its turn, or for the next try; `stopped` by hand; `failed` where trying again by itself would not help. */
export type WorkState = 'waiting' | 'running' | 'done' | 'failed' | 'stopped';

export interface Work {
  readonly id: string;
  readonly kind: WorkKind;
  /** What it is done on: the id of a receipt or a move, the hash of a recording. One kind of work is done once on one subject. */
  readonly subject: string;
  /** The job it belongs to and goes with. */
  readonly job: string | null;
  readonly by: 'server' | 'page';
  readonly state: WorkState;
  /** Share that is done, 0 to 1. */
  readonly progress: number;
  /** How often it was begun. */
  readonly tries: number;
  /** Why it is not done, as a sentence. */
  readonly reason: string | null;
  /** When it is tried next, in ms since 1970; null where it is not. */
  readonly next: number | null;
  readonly made: number;
  readonly changed: number;
}

/** Whether nothing more will come of it by itself. */
export const isOver = ({ state }: Pick<Work, 'state'>): boolean => state !== 'waiting' && state !== 'running';

/** First pause before work is tried again, and the longest, in ms. */
const [firstPause, longestPause] = [1000, 300_000];

/** The pause after so many tries, in ms: it doubles, up to five minutes. */
export const pauseAfter = (tries: number): number => Math.min(longestPause, firstPause * 2 ** Math.max(0, tries - 1));
