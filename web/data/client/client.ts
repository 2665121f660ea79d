/** Asks the server by the contract. Whatever goes wrong comes out as an {@link ApiError} with a sentence to show. */
import { ApiError } from '../../../core/contract/api-error.ts';
import { askOver } from '../../../core/contract/ask.ts';
import type { Ask } from '../../../core/contract/contract.ts';

export const away = (): ApiError =>
  new ApiError(
    'away',
    'The Fenwix server does not answer. What was kept is safe; start the server again and try once more.',
  );

/** @throws {ApiError} */
export const ask: Ask = askOver(async ({ method, url, body }) => {
  try {
    const response = await fetch(
      url,
      body === undefined
        ? { method }
        : { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) },
    );
    return { status: response.status, text: await response.text() };
  } catch {
    throw away();
  }
});
