import { Readable } from 'node:stream';
import type { ReadableStream } from 'node:stream/web';
import { Refusal } from '@/server/refusal';

interface Arriving {
  readonly headers: Headers;
  readonly body: unknown;
}

/** What a device says of a file that it sends as a raw body: it stands in a header, so that the body can stream to disk. */
export function announced({ headers }: Arriving): object {
  try {
    return JSON.parse(decodeURIComponent(headers.get('x-capture') ?? '')) as object;
  } catch {
    throw new Refusal('bad-input', 'The file came without its description.');
  }
}

export const bodyOf = ({ body }: Arriving): Readable =>
  body ? Readable.fromWeb(body as ReadableStream) : Readable.from([]);
