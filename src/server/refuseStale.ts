import { Refusal } from './refusal';

type Version = { readonly version: number };

/** A stale save shows both versions and overwrites nothing. */
export const stale = (theirs: Version | null | undefined, yours: Version): Refusal =>
  new Refusal('stale', 'Somebody changed this meanwhile. Nothing was overwritten; both versions are shown.', {
    ...{ theirs: theirs ?? null, yours },
  });

/** For what is looked at before it is written; version 0 stands for “nothing there yet”. */
export function refuseStale(theirs: Version | null | undefined, yours: Version): void {
  if ((theirs?.version ?? 0) !== yours.version) throw stale(theirs, yours);
}
