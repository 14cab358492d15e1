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
    ['s', 'the same here as was noted last'],
    ['Space', 'choose like parts too; again: one by one'],
    ['o', 'only the open'],
    ['Ctrl z', 'take back what was just said'],
  ],
  cause: [
    ['↑ ↓', 'from cause to cause; Enter opens'],
    ['1 2 3', 'the check to look at next'],
    ['s', 'say what failed first'],
  ],
  decide: [
    ['↑ ↓', 'from part to part; Enter opens the ticket'],
    ['1 to 9', 'what becomes of the part in hand, in the order of its ticket'],
    ['a', 'accept all that is proposed'],
    ['p 1 2 3', 'cheapest, soonest, best'],
    ['u 1 to 5', 'what becomes of the unit'],
    ['Ctrl z', 'take back what was just decided'],
  ],
  baseline: [['Enter', 'read the check that is marked']],
};

/** The keys that help at this station, its own first. */
export const keysOf = (station: StationId): KeyWords => [...(AT[station] ?? []), ...EVERYWHERE];
