/** Does in the world what the steps of a track on its way ask for; what comes of it happens to the track. */
import type { SyncEffect, SyncInput } from './sync-effects.ts';
import type { SyncNeeds } from './sync-needs.ts';

type Runners = {
  readonly [T in SyncEffect['type']]: (effect: Extract<SyncEffect, { readonly type: T }>) => void;
};

/** @returns does one effect at once, and tells later what came of it */
export function effectRunner(
  track: string,
  { log, outbox, composed, announce, tell, done }: SyncNeeds,
  handle: (input: SyncInput) => void,
): (effect: SyncEffect) => void {
  let timer: ReturnType<typeof setTimeout> | undefined;

  /** What this browser could not write down is said until the log has it. */
  const written = (writing: Promise<void>): Promise<void> => writing.catch(() => handle({ type: 'unwritten' }));

  /** What the server answers happens; so does that it did not answer, or what it said fits nothing. */
  async function asked(answer: () => Promise<SyncInput>): Promise<void> {
    try {
      const input = await answer();
      // The text must not change under an input method.
      if (input.type === 'others') await composed();
      handle(input);
    } catch (error) {
      handle({ type: 'failed', error });
    }
  }

  const runners: Runners = {
    tell: ({ event }) => tell(event),
    put: ({ line, edits }) => void written(outbox.put(line, edits)),
    replace: ({ line, edits, aside }) => void written(outbox.replace(line, edits, aside)),
    'let-go': ({ line, seqs }) =>
      void asked(async () => {
        await written(outbox.delivered(line, seqs));
        return { type: 'let-go' };
      }),
    ask: ({ edit, batch }) => void asked(async () => ({ type: 'others', news: await log.since(track, edit, batch) })),
    send: ({ line, edits, batch }) =>
      void asked(async () => {
        await written(outbox.put(line, edits));
        const answer = await log.append(track, batch);
        return typeof answer === 'number'
          ? { type: 'taken', batch: batch.id, edit: answer }
          : { type: 'others', news: answer };
      }),
    wait: ({ ms }) => {
      clearTimeout(timer);
      timer = setTimeout(() => void asked(() => Promise.resolve({ type: 'due' })), ms);
    },
    announce,
    end: () => {
      clearTimeout(timer);
      done();
    },
  };
  return <T extends SyncEffect['type']>(effect: Extract<SyncEffect, { readonly type: T }> & { readonly type: T }) =>
    runners[effect.type](effect);
}
