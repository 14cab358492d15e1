import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { UnitSchema } from '../units';
import { recordKind } from './recordKind';

/** A figure that was measured although no check is described for it: what, how much, with which gauge. No limit judges it. */
export const figure = recordKind({
  version: 1,
  noun: 'figure without a check',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('figure'),
    positionId: IdSchema,
    measured: words(80, 1),
    raw: v.pipe(
      v.string(),
      v.trim(),
      v.minLength(1, 'no figures yet'),
      v.maxLength(20, 'at most 20 characters'),
    ),
    unit: UnitSchema,
    gaugeId: IdSchema,
  }),
  refersTo: ({ positionId }) => ({ positions: [positionId] }),
});
