/** The row of each way of moving times in the bar. */
import type { Component } from 'vue';
import BorrowRow from '../borrow/BorrowRow.vue';
import CutRow from '../cuts/CutRow.vue';
import EdgeRow from '../edges/EdgeRow.vue';
import ListenRow from '../listen-and-place/ListenRow.vue';
import RateRow from '../rate/RateRow.vue';
import ShiftRow from '../shift/ShiftRow.vue';
import TieList from '../ties/TieList.vue';
import type { ToolName } from './tools.ts';

interface ToolRow {
  readonly row: Component | null;
  /** The row is given the captions that were chosen. */
  readonly takesCaptions?: true;
}

export const toolRows: Readonly<Record<ToolName, ToolRow>> = {
  shift: { row: ShiftRow },
  rate: { row: RateRow },
  ties: { row: TieList },
  edges: { row: EdgeRow },
  cuts: { row: CutRow },
  borrow: { row: BorrowRow },
  listen: { row: ListenRow, takesCaptions: true },
  same: { row: null },
};
