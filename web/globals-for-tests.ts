/** What stores need of a browser, so that they can be tried without one. Imported before the stores are. */

function storage() {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  };
}

/** Frames run when a test says so. */
export const frames = {
  waiting: new Map<number, () => void>(),
  last: 0,
  /** Runs what waits for the next frame. */
  run(): void {
    const now = [...this.waiting.values()];
    this.waiting.clear();
    now.forEach((frame) => frame());
  },
};

const noListeners = (): void => undefined;

Object.assign(globalThis, {
  localStorage: storage(),
  sessionStorage: storage(),
  matchMedia: () => ({ matches: false, addEventListener: noListeners }),
  addEventListener: noListeners,
  requestAnimationFrame(frame: () => void): number {
    frames.waiting.set(++frames.last, frame);
    return frames.last;
  },
  cancelAnimationFrame: (id: number) => void frames.waiting.delete(id),
});
/** Nobody listens, so that no test is kept alive by it. */
class NoChannel {
  onmessage = null;
  postMessage = noListeners;
  close = noListeners;
}
Object.assign(globalThis, { BroadcastChannel: NoChannel });

Object.defineProperty(globalThis, 'navigator', {
  configurable: true,
  value: { userAgent: 'tests', platform: 'tests', locks: { request: () => new Promise(noListeners) } },
});
