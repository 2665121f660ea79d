/** The panel a tool hands to the monitor, to stand where the cursor caption's figures do while it is open. */
import { defineStore } from 'pinia';
import { onScopeDispose, shallowRef, watch, type Component } from 'vue';

export const useMonitorPanel = defineStore('monitor-panel', () => {
  const panel = shallowRef<Component | null>(null);
  return { panel };
});

/** Hands one over for as long as it is needed, and takes it back with the scope it is called in. */
export function useInMonitor(panel: Component, isNeeded: () => boolean): void {
  const monitor = useMonitorPanel();
  const takeBack = (): void => {
    if (monitor.panel === panel) monitor.panel = null;
  };
  watch(
    isNeeded,
    (now) => {
      if (now) monitor.panel = panel;
      else takeBack();
    },
    { immediate: true, flush: 'sync' },
  );
  onScopeDispose(takeBack);
}
