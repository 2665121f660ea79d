/** The browser's own performance trace: what the main thread of the page did between two marks. */
import { logging } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome.js';
import type { WebDriver } from '../e2e/support/browser.ts';

export interface Figure {
  readonly name: string;
  /** In ms. */
  readonly ms: number;
  /** What it should be at most, in ms; null where nothing is asked. */
  readonly most: number | null;
}

/** An event of the trace, as the Trace Event Format has it: times in µs. */
export interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly ts: number;
  readonly dur?: number;
  readonly pid: number;
  readonly tid: number;
  readonly args?: { readonly name?: string };
}

/** So many answers of the driver without a mark, and it was lost. */
export const answers = 8;

/** Has the browser keep its trace for us. */
export function traced(options: chrome.Options): void {
  const prefs = new logging.Preferences();
  prefs.setLevel(logging.Type.PERFORMANCE, logging.Level.ALL);
  options.setLoggingPrefs(prefs);
  options.setPerfLoggingPrefs({
    enableNetwork: false,
    enablePage: false,
    traceCategories: 'toplevel,blink.user_timing,__metadata',
  } as never);
}

export async function trace(driver: WebDriver): Promise<TraceEvent[]> {
  const entries = await driver.manage().logs().get(logging.Type.PERFORMANCE);
  return entries.flatMap((entry) => {
    const { message } = JSON.parse(entry.message) as { message: { method: string; params: unknown } };
    return message.method === 'Tracing.dataCollected' ? [message.params as TraceEvent] : [];
  });
}

/** Lengths of the tasks of the page's main thread between two marks, in ms. */
export function tasksBetween(events: readonly TraceEvent[], from: string, to: string): number[] {
  const begin = events.find((e) => e.name === from);
  const end = events.find((e) => e.name === to);
  if (!begin || !end) throw new Error(`The trace has no marks ${from} and ${to}.`);
  return events
    .filter((e) => e.pid === begin.pid && e.tid === begin.tid && e.ph === 'X' && e.name.endsWith('RunTask'))
    .filter((e) => e.ts + (e.dur ?? 0) >= begin.ts && e.ts <= end.ts)
    .map((e) => (e.dur ?? 0) / 1000);
}

export const total = (tasks: readonly number[]): number => tasks.reduce((sum, t) => sum + t, 0);
export const longest = (tasks: readonly number[]): number => Math.max(0, ...tasks);
