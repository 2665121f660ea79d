/** What each way of moving times puts on the page: its row in the bar, and what stands in place of the stage and in the monitor. */
import { defineAsyncComponent, type Component } from 'vue';
import BorrowRow from '../borrow/BorrowRow.vue';
import CutRow from '../cuts/CutRow.vue';
import EdgeRow from '../edges/EdgeRow.vue';
import ListenRow from '../listen-and-place/ListenRow.vue';
import RateRow from '../rate/RateRow.vue';
import ShiftRow from '../shift/ShiftRow.vue';
import TieList from '../ties/TieList.vue';
import type { ToolName } from './tools.ts';

interface ToolParts {
  readonly row: Component | null;
  /** The row is given the captions that were chosen. */
  readonly takesCaptions?: true;
  readonly inStage?: Component;
  readonly inMonitor?: Component;
}

export const toolParts: Readonly<Record<ToolName, ToolParts>> = {
  shift: { row: ShiftRow },
  rate: { row: RateRow },
  ties: { row: TieList },
  edges: { row: EdgeRow },
  cuts: { row: CutRow },
  borrow: {
    row: BorrowRow,
    inStage: defineAsyncComponent(() => import('../borrow/BorrowPanel.vue')),
    inMonitor: defineAsyncComponent(() => import('../borrow/TieRows.vue')),
  },
  listen: {
    row: ListenRow,
    takesCaptions: true,
    inStage: defineAsyncComponent(() => import('../listen-and-place/PlacingPanel.vue')),
  },
  same: { row: null },
};
