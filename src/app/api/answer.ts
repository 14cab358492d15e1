import type { NextRequest } from 'next/server';
import { NextResponse } from 'next/server';
import type { Actor } from '@/model/people';
import type { Context } from '@/server/context';
import { shopContext } from '@/server/instance';
import { readStream } from '@/server/job/readStream';
import { log } from '@/server/log';
import { Refusal } from '@/server/refusal';
import { findActor } from '@/server/sign-in/signIn';
import { SESSION_COOKIE } from '../session';

type Parameters = Record<string, string>;

export interface Call {
  readonly request: NextRequest;
  readonly context: Context;
  readonly actor: Actor;
  readonly params: Parameters;
}

type RouteContext = { params: Promise<Parameters> };

/** A route handler for somebody signed in: origin, session, work, answer. */
export const answer = (work: (call: Call) => unknown) =>
  answerAnyone(({ request, context, params }) => {
    const actor = findActor(context, request.cookies.get(SESSION_COOKIE)?.value);
    if (!actor)
      throw new Refusal('not-signed-in', 'You are not signed in. What you captured stays on this device.');
    return work({ request, context, actor, params });
  });

/**
 * A route that stores a capture: where the device says what it has (`x-since`), the answer also brings what changed behind that,
 * the stored row among it, so that nothing has to be asked again.
 */
export const answerCapture = (work: (call: Call) => CaptureAnswer | Promise<CaptureAnswer>) =>
  answer(async (asked) => {
    const call = { ...asked, context: { ...asked.context, ...sentBy(asked) } };
    const stored = await work(call);
    const since = call.request.headers.get('x-since');
    if (since === null) return stored;
    const shop = Number(call.request.headers.get('x-shop') ?? 0);
    return { ...stored, job: readStream(call.actor, call.context, { jobId: stored.jobId, since, shop }) };
  });
/** The device that sends, and its clock; a caller without one is taken at its word. */
function sentBy({ request: { headers }, context }: Call): Pick<Context, 'sentBy'> {
  const [deviceId, deviceNow] = [headers.get('x-device'), Number(headers.get('x-device-now'))];
  if (!deviceId || deviceId.length > 80 || !Number.isFinite(deviceNow) || deviceNow === 0) return {};
  return { sentBy: { deviceId, deviceNow, heardNow: context.now().getTime() } };
}
type CaptureAnswer = { readonly jobId: string };

/** The same for a caller without a session (sign-in, customer's link). */
export const answerAnyone =
  (work: (call: Omit<Call, 'actor'>) => unknown) =>
  async (request: NextRequest, route: RouteContext): Promise<Response> => {
    try {
      refuseForeignOrigin(request);
      const result = await work({ request, context: shopContext(), params: await route.params });
      return guarded(
        result instanceof Response
          ? result
          : NextResponse.json(result ?? {}, { headers: { 'cache-control': 'no-store' } }),
      );
    } catch (thrown) {
      const error = noRoom(thrown) ?? thrown;
      if (!(error instanceof Refusal)) {
        log.error(
          { err: error, route: request.nextUrl.pathname.replace(/[\w-]{20,}/g, '…') },
          'a route failed',
        );
        return guarded(
          NextResponse.json(
            {
              code: 'failed',
              message: 'Something went wrong on our side. Nothing was stored; what you typed is still here.',
            },
            { status: 500 },
          ),
        );
      }
      return guarded(
        NextResponse.json(
          { code: error.code, message: error.message, details: error.details },
          { status: error.status },
        ),
      );
    }
  };

/** What pages say of themselves holds for answers too: no other page shows them, nothing guesses what they are. */
function guarded(response: Response): Response {
  const { headers } = response;
  headers.set('x-content-type-options', 'nosniff');
  headers.set('referrer-policy', 'same-origin');
  if (!headers.has('content-security-policy'))
    headers.set('content-security-policy', "default-src 'none'; frame-ancestors 'none'");
  return response;
}

/** The disk is full, or can't be written: nothing is wrong with what was sent, and devices keep it and come again. */
function noRoom(error: unknown): Refusal | undefined {
  const code = (error as { code?: unknown } | undefined)?.code;
  if (typeof code !== 'string' || !NO_ROOM.test(code)) return undefined;
  log.error({ err: error }, 'the shop’s disk is full or can’t be written');
  return new Refusal(
    'no-room',
    'The shop’s computer has no room left, or can’t write to its disk. What you captured waits on this device; tell whoever keeps the computer.',
  );
}
const NO_ROOM = /^(ENOSPC|EDQUOT|EROFS|EACCES|EPERM|EIO|SQLITE_FULL|SQLITE_READONLY.*|SQLITE_IOERR.*)$/;

/** A figure in an address, where there is one; one that is no figure is for the use case to refuse. */
export const numberIn = (address: URL, name: string): Record<string, number> => {
  const text = address.searchParams.get(name);
  return text === null ? {} : { [name]: Number(text) };
};

const A_YEAR = 31_536_000;
/** Of what never changes: whoever has it need not ask again. */
export const forGood = { 'cache-control': `private, max-age=${A_YEAR}, immutable` };
const written = new WeakMap<object, string>();
/** What never changes is written out once. */
export function answerForGood(value: object): Response {
  const text = written.get(value) ?? JSON.stringify(value);
  written.set(value, text);
  return new Response(text, {
    headers: { ...forGood, 'content-type': 'application/json' },
  });
}

/** Browsers name the page that sends a change; another site's page has no business here. */
function refuseForeignOrigin(request: NextRequest): void {
  if (request.method === 'GET') return;
  const origin = request.headers.get('origin') ?? '';
  // `null`, as a sandboxed page sends it, and whatever else is no address is nobody's page of ours.
  if (!URL.canParse(origin) || new URL(origin).host !== request.headers.get('host')) {
    throw new Refusal('wrong-origin', 'This request did not come from Stereotome’s own pages.');
  }
}

/** What people type and devices send at once, in bytes; descriptions of units and pasted tables are longer. */
const USUAL = 1_000_000;
export const LONG_TEXT = 4_000_000;

/** A body that is no JSON is bad input, not a failure of ours; one that is longer than it may be isn't read to its end. */
export async function jsonBody(request: NextRequest, most = USUAL): Promise<unknown> {
  const text = await boundedText(request, most);
  try {
    return JSON.parse(text);
  } catch {
    throw new Refusal('bad-input', 'The request is no JSON.');
  }
}

async function boundedText({ headers, body }: NextRequest, most: number): Promise<string> {
  const tooLong = () =>
    new Refusal(
      'too-large',
      `More than ${most / 1_000_000} MB at once are not taken here. Nothing of it was stored.`,
    );
  if (Number(headers.get('content-length') ?? 0) > most) throw tooLong();
  const chunks: Uint8Array[] = [];
  let bytes = 0;
  const reader = body?.getReader();
  for (let read = await reader?.read(); read && !read.done; read = await reader?.read()) {
    bytes += read.value.byteLength;
    if (bytes > most) {
      await reader?.cancel();
      throw tooLong();
    }
    chunks.push(read.value);
  }
  return Buffer.concat(chunks).toString('utf8');
}

export function withSession(result: { token: string; expiresAt: string; actor: Actor }): NextResponse {
  const response = NextResponse.json({ actor: result.actor });
  response.cookies.set(SESSION_COOKIE, result.token, {
    ...cookieRules(),
    expires: new Date(result.expiresAt),
  });
  return response;
}

/** For the pages of this shop alone, out of their scripts' reach. */
export const cookieRules = () =>
  ({
    httpOnly: true,
    sameSite: 'lax',
    path: '/',
    secure: process.env.STEREOTOME_HTTPS === '1',
  }) as const;

/** Where a request comes from. Only the shop's own server can say it: behind any other, all callers count as one. */
export const addressOf = (request: NextRequest): string =>
  (process.env.STEREOTOME_OWN_SERVER === '1' ? request.headers.get(ADDRESS_HEADER) : undefined) ??
  'this machine';

/** Written by the shop's own server over whatever a caller claims. */
const ADDRESS_HEADER = 'x-stereotome-address';
