/** What a route answered when it refused. */
export interface RefusalAnswer {
  readonly code: string;
  readonly message: string;
  readonly details: {
    readonly faults?: readonly { path: string; message: string }[];
    readonly theirs?: unknown;
    readonly [key: string]: unknown;
  };
}

export type Answer<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly refusal: RefusalAnswer };

const UNREACHED: RefusalAnswer = {
  code: 'unreached',
  message: 'The shop’s computer cannot be reached. What you typed is still here; try again.',
  details: {},
};

/** Sends JSON and never throws: a refusal or a dead network comes back as words to show. */
export async function send<T = unknown>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  url: string,
  body?: unknown,
): Promise<Answer<T>> {
  try {
    const response = await fetch(url, {
      method,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    });
    const answer: unknown = await response.json();
    return response.ok ? { ok: true, value: answer as T } : { ok: false, refusal: answer as RefusalAnswer };
  } catch {
    return { ok: false, refusal: UNREACHED };
  }
}
