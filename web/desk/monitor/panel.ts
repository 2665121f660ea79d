/** The panel a tool hands to the monitor, to stand where the cursor caption's figures do while it is open. */
import { defineStore } from 'pinia';
import { onScopeDispose, shallowRef, watch, type Component } from 'vue';

export const useMonitorPanel = defineStore('monitor-panel', () => {
  const panel = shallowRef<Component | null>(null);
  return { panel };
});

/** Hands over what a tool has for it now, if anything, for as long as the scope lives that this is called in. */
export function useInMonitor(panel: () => Component | undefined): void {
  const monitor = useMonitorPanel();
  watch(panel, (now) => (monitor.panel = now ?? null), { immediate: true, flush: 'sync' });
  onScopeDispose(() => (monitor.panel = null));
}
