import type { RecordOf } from '@/model/recordKinds';
import type { Analysis } from './analyse';

/** What is kept of one recording at most. */
const MOST = 60;
const MOST_WORDS = 200;

/** What was heard as it is kept: the strongest first, and in its words what a tone swells with. */
export function keptHeard({
  matches,
  unmatched,
  clipped,
  speedOff,
}: Pick<Analysis, 'matches' | 'unmatched' | 'clipped' | 'speedOff'>): Omit<
  RecordOf<'recording-heard'>,
  'what' | 'recordingId' | 'toldId'
> {
  return {
    heard: matches
      .slice(0, MOST)
      .map(({ place, kind, of, order, frequency, level, share, ratio, in: where, swellsWith }) => ({
        ...{ place, kind, order, frequency, level, share, ratio, in: where },
        // Two parts with long names and what swells them would be refused where it is kept.
        of: (swellsWith === '' ? of : `${of}, swelling once with each turn of ${swellsWith}`).slice(
          0,
          MOST_WORDS,
        ),
      })),
    unexplained: unmatched.filter(({ from }) => from === '').length,
    ...{ clipped, speedOff },
  };
}
