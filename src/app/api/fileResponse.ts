import fs from 'node:fs';
import path from 'node:path';

const ASKED_EACH_TIME = { 'cache-control': 'private, no-cache' };

/**
 * A photograph made small. A browser may keep it, and asks each time whether it may show it: on a tablet that changed hands nothing
 * comes from its cache for who isn't signed in.
 */
export function jpegResponse(file: string, { headers }: { readonly headers: Headers }): Response {
  const { mtimeMs, size } = fs.statSync(file);
  const etag = `"${path.basename(file, '.jpg')}-${size}-${Math.round(mtimeMs)}"`;
  const rules = { ...ASKED_EACH_TIME, etag };
  if (headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers: rules });
  return new Response(new Uint8Array(fs.readFileSync(file)), {
    headers: { ...rules, 'content-type': 'image/jpeg' },
  });
}

export const pdfResponse = (pdf: Uint8Array, name: string): Response =>
  new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${name}"`,
      'cache-control': 'no-store',
    },
  });

/** A file to keep, under its name. */
export const fileResponse = (bytes: Uint8Array, name: string, type: string): Response =>
  new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'no-store',
    },
  });

/** What a browser shows itself: nothing that stands in it may fetch or run anything. */
const SHOWN = ['application/pdf', 'text/html; charset=utf-8'];

export const exportedResponse = (exported: {
  readonly bytes: Uint8Array;
  readonly name: string;
  readonly type: string;
}): Response =>
  new Response(new Uint8Array(exported.bytes), {
    headers: {
      'content-type': exported.type,
      'content-disposition': `${SHOWN.includes(exported.type) ? 'inline' : 'attachment'}; filename="${exported.name}"`,
      'content-security-policy':
        "default-src 'none'; img-src data:; style-src 'unsafe-inline'; frame-ancestors 'none'",
      'x-content-type-options': 'nosniff',
      'cache-control': 'no-store',
    },
  });
