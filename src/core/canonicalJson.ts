/** JSON with sorted keys: equal content gives equal text, whatever order its fields were written in. */
export function canonicalJson(value: unknown): string {
  return JSON.stringify(value, (_key, inner: unknown) =>
    inner !== null && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  );
}

/** Whether two values hold the same content. */
export const sameContent = (a: unknown, b: unknown): boolean => canonicalJson(a) === canonicalJson(b);
