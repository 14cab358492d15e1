import * as v from 'valibot';
import { words } from '../ids';
import { amount } from './fields';
import { NOTHING, recordKind } from './recordKind';

export const OIL_COLOURS = ['clear', 'amber', 'brown', 'black', 'grey', 'milky'] as const;
export const OIL_SMELLS = ['as oil', 'sulphur', 'burnt', 'of fuel', 'of nothing'] as const;
export const WATER = ['none', 'cloudy', 'drops', 'a layer'] as const;
/** Slivers hang on a magnet like needles; a needle is a roller, and a piece of the balance. */
export const ON_MAGNET = ['nothing', 'paste', 'slivers', 'flakes', 'chunks'] as const;
/** How the unit came: of one that stood open or on its side nobody knows what had run out before. */
export const CAME_AS = ['closed and level', 'closed, not level', 'open'] as const;
export const GLITTER = ['none', 'grey', 'yellow', 'grey and yellow'] as const;

const withoutNeedles = ({ magnet, ...older }: Record<string, unknown>): Record<string, unknown> => ({
  ...older,
  magnet: [...new Set((magnet as string[]).map((each) => (each === 'needles' ? 'slivers' : each)))],
});

export const drained = recordKind({
  version: 3,
  noun: 'drained oil',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('drained'),
    version: v.optional(v.literal(3)),
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
    cameAs: v.optional(v.picklist(CAME_AS)),
    note: words(300),
  }),
  refersTo: NOTHING,
  // Litres were always there; what hung on the magnet like needles was told apart from slivers.
  upgrades: [(older) => older, withoutNeedles],
});
