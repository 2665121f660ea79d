/** Line ends of every kind as one. */

/** A text with LF for every CRLF and CR, and without the byte-order mark it may begin with. */
export function plainLineEnds(text: string): string {
  const body = text.startsWith('\ufeff') ? text.slice(1) : text;
  return body.includes('\r') ? body.replace(/\r\n?/g, '\n') : body;
}

/** Lines of a text whatever ends them: LF, CRLF or CR. */
export const linesOfText = (text: string): string[] => plainLineEnds(text).split('\n');

/** The first lines of a text, for telling what it is; never more than a few thousand characters. */
export const firstLines = (text: string): string[] => linesOfText(text.slice(0, 4000));
