/**
 * The blocks of a WebVTT file, by "collect a WebVTT block" of the W3C recommendation. The order of
 * the steps is the recommendation's, so that the two can be read side by side.
 */

export interface Block {
  /** Line of the file the block begins on, from 1. */
  readonly line: number;
  /** Where it stands in the text. */
  readonly from: number;
  readonly to: number;
  /** The line with `-->`, where the block is a cue. */
  readonly timings: { readonly from: number; readonly to: number; readonly line: number } | null;
}

/**
 * The blocks of a text in order, in one pass.
 * @param text with LF for every line end
 * @param position where the line after the signature begins
 */
export function* blocksOf(text: string, position: number): Generator<Block> {
  let at = position;
  let line = 2;
  let nextArrow = -1;
  /** Whether the line up to `to` holds `-->`; every arrow is looked for once. */
  const hasArrow = (to: number): boolean => {
    if (nextArrow < at) {
      const found = text.indexOf('-->', at);
      nextArrow = found < 0 ? Infinity : found;
    }
    return nextArrow < to;
  };

  function collect(inHeader: boolean): Block | null {
    const from = at;
    const first = line;
    let lineCount = 0;
    let end = at;
    let timings: Block['timings'] = null;
    while (at < text.length) {
      const nl = text.indexOf('\n', at);
      const to = nl < 0 ? text.length : nl;
      if (hasArrow(to)) {
        // A second arrow begins the next cue even where the blank line before it is missing.
        if (inHeader || lineCount > 1 || timings !== null) break;
        timings = { from: at, to, line };
      }
      const blank = to === at;
      if (!blank) end = to;
      lineCount++;
      line++;
      at = nl < 0 ? text.length : nl + 1;
      if (blank) break;
    }
    return end > from ? { line: first, from, to: end, timings } : null;
  }

  const header = collect(true);
  if (header) yield header;
  while (at < text.length) {
    const block = collect(false);
    if (block) yield block;
  }
}
