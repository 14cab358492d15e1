import type { JobSnapshot } from '@/model/snapshot';
import { recordingsOf } from '../../sound/recordingsOf';
import { heardPlaces, tellHeard, tellTold } from '../../sound/tellRecording';
import { type Derived, told } from './derived';

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
        each.ratio,
      );
    });
  });
