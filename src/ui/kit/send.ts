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

/** Sends a file as it is; refusals and a dead network come back as words. */
export const sendFile = <T = unknown>(url: string, file: Blob): Promise<Answer<T>> =>
  asked<T>(url, { method: 'POST', body: file });

/** Sends JSON and never throws: a refusal or a dead network comes back as words to show. */
export async function send<T = unknown>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  url: string,
  body?: unknown,
): Promise<Answer<T>> {
  return asked<T>(url, {
    method,
    ...(body === undefined
      ? {}
      : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  });
}

async function asked<T>(url: string, init: RequestInit): Promise<Answer<T>> {
  try {
    const response = await fetch(url, init);
    const answer: unknown = await response.json();
    return response.ok ? { ok: true, value: answer as T } : { ok: false, refusal: answer as RefusalAnswer };
  } catch {
    return { ok: false, refusal: UNREACHED };
  }
}
