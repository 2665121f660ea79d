/** The ways of moving times, in the order in which the bar shows them. A new one is a line here and in `tool-parts.ts`. */
import { useBorrow } from '../borrow/borrow.ts';
import { useCuts } from '../cuts/cuts.ts';
import { useEdges } from '../edges/edges.ts';
import { useListenTool } from '../listen-and-place/listen-tool.ts';
import { useRate } from '../rate/rate.ts';
import { useSame } from '../same/same.ts';
import { useShift } from '../shift/shift.ts';
import { useTies } from '../ties/ties.ts';
import type { TimesTool } from '../tool/tool.ts';

/** Those that can be chosen, with their names. */
export const toolTitles = [
  ['shift', 'Shift'],
  ['rate', 'Frame rate'],
  ['ties', 'Ties'],
  ['edges', 'Edges'],
  ['cuts', 'Cuts'],
  ['borrow', 'Borrow'],
  ['listen', 'Listen and place'],
] as const;

type Chosen = (typeof toolTitles)[number][0];

/** What each of them is for. */
export const toolDetails: Readonly<Record<Chosen, string>> = {
  shift: 'all by as much',
  rate: 'made for another frame rate',
  ties: 'this caption belongs here',
  edges: 'frames, gaps, lead and linger',
  cuts: 'the recording was cut again',
  borrow: 'from another track, or a file',
  listen: 'where the words are said',
};

/** `same` is offered after another was used. */
export type ToolName = Chosen | 'same';

export const timesTools = (): Readonly<Record<ToolName, TimesTool>> => ({
  shift: useShift().tool,
  rate: useRate().tool,
  ties: useTies().tool,
  edges: useEdges().tool,
  cuts: useCuts().tool,
  borrow: useBorrow().tool,
  listen: useListenTool().tool,
  same: useSame().tool,
});
