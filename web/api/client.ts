/** Asks the server by the contract. Whatever goes wrong comes out as an {@link ApiError} with a sentence to show. */
import { ApiError, errorOf } from '../../core/contract/api-error.ts';
import { wireRequest, type Arguments, type Ask, type JsonRoute } from '../../core/contract/contract.ts';

export const away = (): ApiError =>
  new ApiError(
    'away',
    'The Fenwix server does not answer. What was kept is safe; start the server again and try once more.',
  );

/** What an answer carries; null for none, and for what is no JSON. */
export function jsonOf(text: string): unknown {
  try {
    return text === '' ? null : (JSON.parse(text) as unknown);
  } catch {
    return null;
  }
}

/** @throws {ApiError} */
export const ask: Ask = async <R extends JsonRoute>(route: R, ...args: Arguments<R>) => {
  const { method, url, body } = wireRequest(route, ...args);
  let response: Response;
  let text: string;
  try {
    response = await fetch(
      url,
      body === undefined
        ? { method }
        : { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) },
    );
    text = await response.text();
  } catch {
    throw away();
  }
  const answer = jsonOf(text);
  if (!response.ok) throw errorOf(response.status, answer);
  return answer as never;
};
