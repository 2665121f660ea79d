/** What a way of moving times puts on the page besides its row: in place of the stage, and in the monitor. */
import { defineAsyncComponent, type Component } from 'vue';
import type { ToolName } from './tools.ts';

interface ToolParts {
  readonly inStage?: Component;
  readonly inMonitor?: Component;
}

export const toolParts: Readonly<Partial<Record<ToolName, ToolParts>>> = {
  borrow: {
    inStage: defineAsyncComponent(() => import('../borrow/BorrowPanel.vue')),
    inMonitor: defineAsyncComponent(() => import('../borrow/TieRows.vue')),
  },
  listen: { inStage: defineAsyncComponent(() => import('../listen-and-place/PlacingPanel.vue')) },
};
