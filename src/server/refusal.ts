/** An expected "no", with a code for programs, a sentence for people and the status a route answers with. */
export const REFUSALS = {
  'bad-input': 422,
  'not-signed-in': 401,
  'wrong-sign-in': 401,
  'no-right': 403,
  'wrong-origin': 403,
  'other-author': 403,
  'not-found': 404,
  stale: 409,
  conflict: 409,
  altered: 409,
  gone: 410,
  'too-large': 413,
  'not-a-picture': 415,
  'slow-down': 429,
  'no-room': 507,
} as const;
export type RefusalCode = keyof typeof REFUSALS;

export class Refusal extends Error {
  readonly code: RefusalCode;
  readonly status: number;
  readonly details: Readonly<Record<string, unknown>>;

  constructor(code: RefusalCode, message: string, details: Readonly<Record<string, unknown>> = {}) {
    super(message);
    this.name = 'Refusal';
    this.code = code;
    this.status = REFUSALS[code];
    this.details = details;
  }
}
