import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { recordingHeard } from '@/model/records/recording-told';
import type { HeardOrder } from './analyse';
import { keptHeard } from './keptHeard';

const ID = '01930000-0000-7000-8000-000000000011';
const match = (over: Partial<HeardOrder> = {}): HeardOrder => ({
  ...{ order: 11, of: 'Pinion and Ring', place: 'pinion·ring', positions: [], kind: 'mesh', multiple: 1 },
  ...{ frequency: 300, level: 20, share: 0.9, ratio: 3, in: 'spectrum', swellsWith: '' },
  ...over,
});
const tone = (from: string) => ({ frequency: 400, level: 9, isMains: false, from });

describe('what is kept of what was heard', () => {
  it('fits where it is kept, however long the names are and however much was heard', () => {
    const long = match({ of: 'p'.repeat(150), swellsWith: 'r'.repeat(60) });
    const kept = keptHeard({
      ...{ matches: Array.from({ length: 90 }, () => long), unmatched: [tone(''), tone('3 × of it')] },
      ...{ clipped: false, speedOff: 0 },
    });
    const record = { what: 'recording-heard', recordingId: ID, toldId: ID, ...kept };
    expect(v.safeParse(recordingHeard.schema, record).success).toBe(true);
    expect(kept.unexplained).toBe(1);
  });
  it('tells what a tone swells with', () => {
    const { heard } = keptHeard({
      ...{ matches: [match({ swellsWith: 'Case' })], unmatched: [], clipped: false, speedOff: 0 },
    });
    expect(heard[0]!.of).toBe('Pinion and Ring, swelling once with each turn of Case');
  });
});
