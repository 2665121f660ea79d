/** Asks the server directly, beside the interface. */

export type Ask = <T>(method: string, path: string, body?: object) => Promise<T>;

/** @param address where the server listens, looked up at each question @throws {Error} with what a refusal says */
export const asking =
  (address: () => string): Ask =>
  async <T>(method: string, path: string, body?: object): Promise<T> => {
    const response = await fetch(`${address()}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    if (!response.ok) throw new Error(await response.text());
    return (await response.json()) as T;
  };
