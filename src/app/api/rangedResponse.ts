import fs from 'node:fs';
import { Readable } from 'node:stream';

const RANGE = /^bytes=(\d*)-(\d*)$/;

/** From and to, both included; undefined for no range that can be given. */
function rangeOf(header: string, bytes: number): readonly [number, number] | undefined {
  const [, from = '', to = ''] = RANGE.exec(header) ?? [];
  if (from === '' && to === '') return undefined;
  const range: [number, number] =
    from === ''
      ? [Math.max(0, bytes - Number(to)), bytes - 1]
      : [Number(from), to === '' ? bytes - 1 : Math.min(Number(to), bytes - 1)];
  return range[0] <= range[1] && range[0] < bytes ? range : undefined;
}

/** A file that a player asks for piece by piece: the piece, or all of it, streamed; 416 for a piece that isn't there. */
export function rangedResponse(
  { file, bytes, digest }: { readonly file: string; readonly bytes: number; readonly digest: string },
  type: string,
  { headers }: { readonly headers: Headers },
): Response {
  const rules = {
    ...{ 'content-type': type, 'accept-ranges': 'bytes', etag: `"${digest}"` },
    ...{ 'cache-control': 'private, no-cache', 'x-content-type-options': 'nosniff' },
  };
  if (headers.get('if-none-match') === rules.etag) return new Response(null, { status: 304, headers: rules });
  const asked = headers.get('range');
  const range = asked === null ? undefined : rangeOf(asked, bytes);
  if (asked !== null && !range)
    return new Response(null, { status: 416, headers: { ...rules, 'content-range': `bytes */${bytes}` } });
  const [from, to] = range ?? [0, bytes - 1];
  const body = Readable.toWeb(
    fs.createReadStream(file, { start: from, end: to }),
  ) as ReadableStream<Uint8Array>;
  return new Response(body, {
    status: range ? 206 : 200,
    headers: {
      ...rules,
      'content-length': String(to - from + 1),
      ...(range ? { 'content-range': `bytes ${from}-${to}/${bytes}` } : {}),
    },
  });
}
