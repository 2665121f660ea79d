/** Pages of this browser that are alive, told by locks that go with them. */

const lockName = (client: string): string => `fenwix-page-${client}`;

/** A name for this page, held as long as it lives, so that other pages can tell whether it still does. */
export async function livePage(): Promise<string> {
  const client = crypto.randomUUID();
  await new Promise<void>((held) => {
    void navigator.locks.request(lockName(client), () => {
      held();
      return new Promise(() => undefined);
    });
  });
  return client;
}

/** Whether each of these pages is still there. */
export async function alivePages(): Promise<(client: string) => boolean> {
  const { held } = await navigator.locks.query();
  const names = new Set((held ?? []).map((lock) => lock.name));
  return (client) => names.has(lockName(client));
}
