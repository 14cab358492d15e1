import { type NextRequest, NextResponse } from 'next/server';
import { shopContext } from '@/server/instance';
import { letterDoor } from '@/server/report/letterCase';

/** Says to the pages that this request meets no door: what a customer opens carries nobody's sign-in. */
const NO_DOOR = 'x-no-door';

/**
 * A strict content policy with a fresh nonce for every page. Capture and photograph routes are left out: a
 * proxy buffers bodies and would cut a large photograph without a word.
 */
export function proxy(request: NextRequest): NextResponse {
  const nonce = Buffer.from(crypto.randomUUID()).toString('base64');
  const developing = process.env.NODE_ENV === 'development';
  const policy = [
    `default-src 'self'`,
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${developing ? " 'unsafe-eval'" : ''}`,
    developing ? `style-src 'self' 'unsafe-inline'` : `style-src 'self' 'nonce-${nonce}'`,
    `style-src-attr 'unsafe-inline'`,
    `img-src 'self' blob: data:`,
    `font-src 'self'`,
    `worker-src 'self'`,
    // A recording that still waits on the device is played from there.
    `media-src 'self' blob:`,
    `connect-src 'self'`,
    `object-src 'none'`,
    `base-uri 'none'`,
    `frame-ancestors 'none'`,
    `form-action 'self'`,
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const token = /^\/letter\/([^/]+)\/?$/.exec(request.nextUrl.pathname)?.[1];
  if (token !== undefined) headers.set(NO_DOOR, 'letter');
  // A page can't answer 410 by itself, and a customer isn't to be sent to the rack: these are plain words, made here.
  const shut = token === undefined ? undefined : letterDoor(shopContext(), token);
  const response = shut
    ? new NextResponse(shutWords(shut.message), {
        status: shut.status,
        headers: { 'content-type': 'text/html; charset=utf-8' },
      })
    : NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('x-content-type-options', 'nosniff');
  return response;
}

function shutWords(words: string): string {
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>This link does not open</title>
<meta name="viewport" content="width=device-width,initial-scale=1"><meta name="robots" content="noindex">
<meta name="color-scheme" content="light dark"></head>
<body style="max-width:34rem;margin:15vh auto 0;padding:0 16px;font:18px/1.5 'Open Sans Variable',sans-serif">
<h1 style="font-size:28px;line-height:1.2">This link does not open</h1>
<p>${words}</p></body></html>`;
}

export const config = { matcher: ['/((?!api/|_next/static|_next/image|icon.svg).*)'] };
