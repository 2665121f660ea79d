/** Asking a server by the contract, over whatever carries the question. */
import { errorOf } from './api-error.ts';
import { wireRequest, type Arguments, type Ask, type JsonRoute, type WireRequest } from './contract.ts';

/** What came back. */
export interface WireAnswer {
  readonly status: number;
  readonly text: string;
}

/** The JSON of an answer; null for none, and for what is no JSON. */
export function jsonOf(text: string): unknown {
  try {
    return text === '' ? null : (JSON.parse(text) as unknown);
  } catch {
    return null;
  }
}

/**
 * Asks by the contract.
 * @param carry takes a question to the server and brings the answer; may throw an {@link ApiError} of its own
 */
export const askOver =
  (carry: (request: WireRequest) => Promise<WireAnswer>): Ask =>
  async <R extends JsonRoute>(route: R, ...args: Arguments<R>) => {
    // eslint-disable-next-line no-restricted-syntax -- one argument or none
    const { status, text } = await carry(wireRequest(route, ...args));
    const answer = jsonOf(text);
    if (status >= 400) throw errorOf(status, answer);
    return answer as never;
  };
