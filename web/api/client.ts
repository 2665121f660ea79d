/** Talks to the server. Whatever goes wrong comes out as a {@link Refusal} with a sentence to show. */

export class Refusal extends Error {
  override readonly name = 'Refusal';
  /** HTTP status; 0 when the server could not be reached at all. */
  readonly status: number;
  readonly code: string;
  readonly details: unknown;

  constructor(status: number, code: string, message: string, details: unknown = null) {
    super(message);
    this.status = status;
    this.code = code;
    this.details = details;
  }
}

export const away = (): Refusal =>
  new Refusal(
    0,
    'away',
    'The Fenwix server does not answer. What was kept is safe; start the server again and try once more.',
  );

interface Answer {
  readonly code?: string;
  readonly message?: string;
  readonly details?: unknown;
}

/** The refusal an unhappy answer stands for. */
export function refusalOf(status: number, body: unknown): Refusal {
  const said = (body ?? {}) as Answer;
  return new Refusal(
    status,
    said.code ?? 'unexpected',
    said.message ?? 'The server answered in a way that was not expected. What was kept is safe.',
    said.details,
  );
}

/** @throws {Refusal} */
export async function ask<T>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(
      `/api${path}`,
      body === undefined
        ? { method }
        : { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) },
    );
  } catch {
    throw away();
  }
  const text = await response.text();
  const answer: unknown = text === '' ? null : JSON.parse(text);
  if (!response.ok) throw refusalOf(response.status, answer);
  return answer as T;
}

/** A sentence for whatever was thrown. */
export function sentence(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
