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
    ['↑ ↓', 'from part to part, on the sheet'],
    ['0 to 5', 'grade'],
    ['n', 'nothing to see; on a ticket, the next that is open'],
    ['f', 'finding: then word, place, severity by their signs'],
    ['h', 'test by hand'],
    ['m p', 'measure, picture'],
    ['Space', 'choose like parts too'],
    ['o', 'only the open'],
    ['Ctrl z', 'take back what was just said'],
  ],
  baseline: [['Enter', 'read the check that is marked']],
};

/** The keys that help at this station, its own first. */
export const keysOf = (station: StationId): KeyWords => [...(AT[station] ?? []), ...EVERYWHERE];
