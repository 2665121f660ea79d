/**
 * Segments of a long text by `Intl.Segmenter`, a window at a time: going through a text of 100,000
 * characters at once takes the engine time in step with its square (tens of seconds).
 */

/** First length of a window, in UTF-16 units. */
const usualWindow = 1024;
/** Segments at the end of a window that what comes behind it could still change (UAX 29, WB6 and WB7 look ahead by two). */
const unsure = 3;

/** @param take called with each segment, in order */
export function eachSegment(segmenter: Intl.Segmenter, text: string, take: (segment: Intl.SegmentData) => void): void {
  let from = 0;
  let window = usualWindow;
  while (from < text.length) {
    const end = Math.min(text.length, from + window);
    const found = [...segmenter.segment(text.slice(from, end))];
    const sure = end === text.length ? found.length : found.length - unsure;
    if (sure <= 0) {
      // One segment is longer than the window.
      window *= 2;
      continue;
    }
    for (const segment of found.slice(0, sure)) take(segment);
    const last = found[sure - 1];
    from += (last?.index ?? 0) + (last?.segment.length ?? 0);
    window = usualWindow;
  }
}
