import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { NOTHING, recordKind } from './recordKind';

export const REWORK_ACTS = [
  'polish',
  'hone',
  'dress',
  'ream',
  'weld',
  'machine',
  'clean',
  'plate',
  'turn-over',
  'have-made',
] as const;
export type ReworkAct = (typeof REWORK_ACTS)[number];

const figure = v.pipe(v.number('a figure is needed'), v.finite(), v.minValue(-1000), v.maxValue(10000));

/** A part that is worked on before it goes back in: what, to which figure, by whom, until when. */
export const rework = recordKind({
  version: 1,
  noun: 'rework ticket',
  right: 'rebuild.do',
  schema: v.pipe(
    v.object({
      what: v.literal('rework'),
      positionId: IdSchema,
      act: v.picklist(REWORK_ACTS),
      words: words(200, 1),
      /** What it must measure afterwards; mm. */
      min: v.optional(figure),
      max: v.optional(figure),
      before: v.optional(figure),
      /** A firm; empty: in the house. */
      sentTo: words(80),
      due: v.optional(v.pipe(v.string(), v.isoDate('a day is needed, as 2026-12-24'))),
      /** A process that is written down and proved, where the act is refused without one. */
      process: words(160),
    }),
    v.check(
      ({ min, max }) => min !== undefined || max !== undefined,
      'to which figure? A piece goes back in only once it was measured',
    ),
    v.check(({ min, max }) => min === undefined || max === undefined || min <= max, 'min lies above max'),
  ),
  refersTo: ({ positionId }) => ({ positions: [positionId] }),
});

/** It was measured after the work. Within its figures the part may go in. */
export const reworkBack = recordKind({
  version: 1,
  noun: 'figure of a reworked part',
  right: 'rebuild.do',
  schema: v.object({
    what: v.literal('rework-back'),
    /** The record of the ticket. */
    of: words(60, 1),
    after: figure,
    gaugeId: IdSchema,
    note: words(200),
  }),
  refersTo: NOTHING,
});

/** The work is not done after all: the part is renewed instead, or goes in as it is. */
export const reworkDropped = recordKind({
  version: 1,
  noun: 'dropped rework',
  right: 'rebuild.do',
  schema: v.object({ what: v.literal('rework-dropped'), of: words(60, 1), reason: words(200, 1) }),
  refersTo: NOTHING,
});
