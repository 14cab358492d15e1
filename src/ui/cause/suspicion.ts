import type { Names } from '@/core/causes/names';
import { tellProbability } from '@/core/causes/tellProbability';
import type { ToldCauses } from '@/workers/causes';
import type { Suspicion } from '../section/SectionDrawing';
import type { Suspect } from '../section/Suspected';

/** Places less probable than this aren't named. */
const LEAST = 0.03;
const MOST = 4;

/** The places that may have failed first, the likeliest first. */
export const suspectsOf = ({ places }: ToldCauses, names: Names): Suspect[] =>
  places
    .filter(({ share }) => share >= LEAST)
    .slice(0, MOST)
    .map(({ place, share, root }) => ({
      ...{ positions: names.positions(`@${place}`), name: names.place(`@${place}`), share },
      ...{ told: tellProbability(share), cause: names.node(root)?.name ?? root },
    }));

/** What the section shows of the answer: suspects by share, and the checks that are to be made by their numbers. */
export const suspicionOf = (told: ToldCauses, names: Names, onPin: (number: number) => void): Suspicion => ({
  suspects: suspectsOf(told, names),
  pins: told.next.map(({ finding, node }, index) => ({
    ...{ number: index + 1, positions: names.positions(finding), words: node.question ?? '' },
  })),
  onPin,
});
