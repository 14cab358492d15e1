import type { IdentityEntry } from '@/model/measuring';
import type { CountablePair } from './countablePairs';
import { type GearSetIdentity, gearSetIdentity } from './gearSetIdentity';

/** What was counted on a pair against its marks, its tag and its type; or the sentence that says why it can't be compared. */
export function identityOfEntry(entry: IdentityEntry, pair: CountablePair): GearSetIdentity | string {
  try {
    return gearSetIdentity({
      pinionTeeth: entry.pinionTeeth,
      ringTeeth: entry.ringTeeth,
      ...(entry.marked ? { marked: entry.marked } : {}),
      ...(entry.pinionSet ? { pinionSet: entry.pinionSet } : {}),
      ...(entry.ringSet ? { ringSet: entry.ringSet } : {}),
      ...(entry.tagRatio === undefined ? {} : { tagRatio: entry.tagRatio }),
      ...(pair.pinion > 0 ? { expected: [{ pinion: pair.pinion, ring: pair.ring }] } : {}),
      ...(entry.splinesCounted !== undefined && entry.splinesMate !== undefined
        ? { splines: { counted: entry.splinesCounted, required: entry.splinesMate } }
        : {}),
    });
  } catch (error) {
    return `What is marked can’t be compared: ${error instanceof Error ? error.message : 'it can’t be read'}.`;
  }
}
