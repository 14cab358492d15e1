import * as v from 'valibot';
import { CaptureIdSchema, words } from '../ids';
import { amount } from './fields';
import { recordKind } from './recordKind';

/** A piece that broke off something: it waits until its source is found. */
export const debris = recordKind({
  version: 2,
  noun: 'piece of debris',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('debris'),
    version: v.optional(v.literal(2)),
    piece: words(80, 1),
    where: words(60),
    colour: v.picklist(['grey', 'yellow', 'black']),
    lengthMm: v.optional(amount(500)),
    /** Of what is round: a roller is told from another by it. */
    diameterMm: v.optional(amount(500)),
    photographId: v.optional(CaptureIdSchema),
  }),
  refersTo: ({ photographId }) => (photographId ? { photographs: [photographId] } : {}),
  upgrades: [(older) => older],
});
