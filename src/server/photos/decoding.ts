import { turnstileOf } from '../turnstile';

/** A photograph unpacks to hundreds of megabytes: two at once, a strip's worth in line. */
export const decoding = turnstileOf('decoding', { inside: 2, waiting: 60, patienceMs: 90_000 });
