/** @typedef {import('node:http').IncomingMessage} IncomingMessage */
/** @typedef {{ readonly headers: import('node:http').IncomingHttpHeaders, readonly body: Buffer, readonly until: number }} Kept */

/** What this many bytes don't hold is asked for again. */
const MOST_BYTES = 64_000_000;
const LARGEST = 4_000_000;
/** A session that was ended is asked for anew after so long; it was given for good what it gets here. */
const KEPT_MS = 60_000;

/**
 * What the application itself has called `immutable`: for the session that it was given to, or for everybody where it is public. Each of them is
 * told apart by its cookies and by how it unpacks.
 */
export class KeptAnswers {
  /** @type {Map<string, Kept>} */
  #answers = new Map();
  #bytes = 0;

  /** @param {IncomingMessage} request */
  answerTo(request) {
    if (request.method !== 'GET') return undefined;
    const known = this.#answers.get(keyOf(request, true)) ?? this.#answers.get(keyOf(request, false));
    return known && known.until > Date.now() ? known : undefined;
  }

  /**
   * Keeps an answer while it goes by, where it may be kept.
   * @param {IncomingMessage} request
   * @param {IncomingMessage} answer
   */
  keep(request, answer) {
    const { 'cache-control': said = '', 'set-cookie': marks } = answer.headers;
    const isWhole = request.method === 'GET' && answer.statusCode === 200;
    if (!isWhole || marks || request.headers.range || !/\bimmutable\b/.test(said)) return;
    const key = keyOf(request, !/\bpublic\b/.test(said));
    /** @type {Buffer[]} */
    const chunks = [];
    let bytes = 0;
    answer.on('data', (/** @type {Buffer} */ chunk) => {
      bytes += chunk.length;
      if (bytes <= LARGEST) chunks.push(chunk);
    });
    answer.on('end', () => {
      if (bytes > LARGEST || !answer.complete) return;
      const body = Buffer.concat(chunks);
      const headers = { ...answer.headers, 'content-length': String(body.length) };
      for (const name of ['connection', 'keep-alive', 'transfer-encoding', 'date']) delete headers[name];
      this.#put(key, { headers, body, until: Date.now() + KEPT_MS });
    });
  }

  /**
   * @param {string} key
   * @param {Kept} kept
   */
  #put(key, kept) {
    this.#forget(key);
    this.#answers.set(key, kept);
    this.#bytes += kept.body.length;
    // The one that came first goes first.
    for (const [first] of this.#answers) {
      if (this.#bytes <= MOST_BYTES) break;
      this.#forget(first);
    }
  }

  /** @param {string} key */
  #forget(key) {
    this.#bytes -= this.#answers.get(key)?.body.length ?? 0;
    this.#answers.delete(key);
  }
}

/**
 * @param {IncomingMessage} request
 * @param {boolean} isPrivate
 */
const keyOf = ({ url, headers }, isPrivate) =>
  JSON.stringify([
    url,
    headers.host,
    headers['accept-encoding'],
    headers.rsc,
    isPrivate ? (headers.cookie ?? '') : null,
  ]);
