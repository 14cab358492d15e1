import * as v from 'valibot';
import { words } from '../ids';
import { amount } from './fields';
import { NOTHING, recordKind } from './recordKind';

export const OIL_COLOURS = ['clear', 'amber', 'brown', 'black', 'grey', 'milky'] as const;
export const OIL_SMELLS = ['as oil', 'sulphur', 'burnt', 'of fuel', 'of nothing'] as const;
export const WATER = ['none', 'cloudy', 'drops', 'a layer'] as const;
export const ON_MAGNET = ['nothing', 'paste', 'slivers', 'flakes', 'needles', 'chunks'] as const;
export const GLITTER = ['none', 'grey', 'yellow', 'grey and yellow'] as const;

export const drained = recordKind({
  version: 2,
  noun: 'drained oil',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('drained'),
    version: v.optional(v.literal(2)),
    /** Left out where nobody could measure how much came. */
    litres: v.optional(amount(500)),
    colour: v.picklist(OIL_COLOURS),
    smell: v.picklist(OIL_SMELLS),
    water: v.picklist(WATER),
    magnet: v.pipe(
      v.array(v.picklist(ON_MAGNET)),
      v.minLength(1, 'say what hung on the magnet'),
      v.maxLength(ON_MAGNET.length, 'each of them once'),
    ),
    glitter: v.picklist(GLITTER),
    note: words(300),
  }),
  refersTo: NOTHING,
  // Before, litres were always there.
  upgrades: [(older) => older],
});
