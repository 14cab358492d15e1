import type { StationId } from '@/model/job';
import type { KeyWords } from '../frame/KeysHelp';

/** Keys that do the same at every station. */
const EVERYWHERE: KeyWords = [
  ['← →', 'along the shaft, on the drawing'],
  ['↑ ↓', 'from shaft to shaft, on the drawing'],
  ['Enter', 'open the part'],
  ['l', 'drawing or list of parts'],
  ['+ − 0', 'nearer, farther, whole'],
  ['Esc', 'back to where it was opened'],
];

const AT: Partial<Record<StationId, KeyWords>> = {
  grade: [
    ['n', 'next part with something open'],
    ['Enter', 'take the reading'],
  ],
  baseline: [['Enter', 'read the check that is marked']],
};

/** The keys that help at this station, its own first. */
export const keysOf = (station: StationId): KeyWords => [...(AT[station] ?? []), ...EVERYWHERE];
