import type { RecordOf } from '@/model/recordKinds';
import type { JobSnapshot } from '@/model/snapshot';
import { recordingsOf } from '../../sound/recordingsOf';
import { heardPlaces, tellHeard, tellTold } from '../../sound/tellRecording';
import { type Derived, told } from './derived';

type Heard = RecordOf<'recording-heard'>['heard'][number];

/** From what a person kept as heard in recordings: it speaks for damage at the places of those orders, and is never certain. */
export const ofSound = (job: Pick<JobSnapshot, 'recordings' | 'records'>): Derived[] =>
  recordingsOf(job).flatMap(({ told: word, heard }) => {
    if (!word || !heard) return [];
    return heardPlaces(heard.content.heard).map((each): Derived => {
      const [positionId] = each.place.split('·');
      return told(
        `${each.kind === 'mesh' ? 'mesh-heard' : 'bearing-heard'}@${each.place}`,
        'seen',
        {
          words: `Heard ${tellTold(word.content.told)}: ${tellHeard(each)}`,
          ...{ station: 'baseline', positionId: positionId! },
        },
        each.ratio ** ownPart(each, heard.content.heard),
      );
    });
  });

/** One tone is one observation: where it may be of several places, what it says is shared among them by how likely it is each one's. */
function ownPart({ frequency, in: where, place, share }: Heard, heard: readonly Heard[]): number {
  const others = new Map<string, number>();
  for (const each of heard)
    if (each.frequency === frequency && each.in === where && each.place !== place)
      others.set(each.place, Math.max(others.get(each.place) ?? 0, each.share));
  const all = [...others.values()].reduce((sum, other) => sum + other, share);
  return all === 0 ? 1 : share / all;
}
