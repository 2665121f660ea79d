/** What the server tells as it happens, for whoever shows something of it. */
import { defineStore } from 'pinia';
import { onScopeDispose } from 'vue';
import { hearServer, type PageEvent } from './events.ts';

export const useServerEvents = defineStore('server-events', () => {
  const listeners = new Set<(event: PageEvent) => void>();
  let hearing = false;

  /** Hears all events. @returns stops that */
  function listen(listener: (event: PageEvent) => void): () => void {
    listeners.add(listener);
    if (!hearing) {
      hearing = true;
      hearServer((event) => listeners.forEach((each) => each(event)));
    }
    return () => void listeners.delete(listener);
  }

  /** Hears all events for as long as the component lives. */
  const hear = (listener: (event: PageEvent) => void): void => onScopeDispose(listen(listener));
  return { listen, hear };
});
