import { Refusal } from './refusal';

/** Version 0 stands for "nothing there yet". A stale save shows both versions and overwrites nothing. */
export function refuseStale(
  theirs: { readonly version: number } | null | undefined,
  yours: { readonly version: number },
): void {
  if ((theirs?.version ?? 0) !== yours.version) {
    throw new Refusal(
      'stale',
      'Somebody changed this meanwhile. Nothing was overwritten; both versions are shown.',
      { theirs: theirs ?? null, yours },
    );
  }
}
