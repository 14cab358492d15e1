import * as v from 'valibot';

/** Ids of captures are UUIDv7 made on the device, so that sending one twice is harmless. */
export const CaptureIdSchema = v.pipe(
  v.string(),
  v.regex(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/, 'must be a UUIDv7'),
);
export const IdSchema = v.pipe(
  v.string(),
  v.minLength(1),
  v.maxLength(64),
  v.regex(/^[a-z0-9-]+$/, 'must be a plain id'),
);
export const DigestSchema = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/, 'must be a SHA-256 in hex'));
export const VersionSchema = v.pipe(v.number(), v.integer(), v.minValue(0));

/** What no person types: control characters but line breaks and tabs, and marks that turn the direction of what follows. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: these are what is taken out
const UNSEEN = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\u202a-\u202e\u2066-\u2069]/g;

/** A line or two that a person wrote. Trimmed, without what can't be seen; length bounded so that no label can be 5 MB. */
export const words = (max: number, min = 0) =>
  v.pipe(
    v.string(),
    v.transform((text) => text.replace(UNSEEN, '')),
    v.trim(),
    v.minLength(min, min === 1 ? 'please fill this in' : `at least ${min} characters`),
    v.maxLength(max, `at most ${max} characters`),
  );

/** A pasted or read table has no more lines than these; more is told, never cut. */
export const TABLE_LINES = 5000;
