import * as v from 'valibot';

/** The simulated gauges that ship with the application, and the kind under which each stands on the list of gauges. */
export const STAND_INS = { indicator: 'simulated indicator', caliper: 'simulated caliper' } as const;
export type StandIn = keyof typeof STAND_INS;

export const standInOfKind = (kind: string): StandIn | undefined =>
  (Object.keys(STAND_INS) as StandIn[]).find((gauge) => STAND_INS[gauge] === kind);

export const TouchSchema = v.pipe(
  v.object({
    gauge: v.picklist(Object.keys(STAND_INS) as StandIn[]),
    index: v.pipe(v.number(), v.integer(), v.minValue(0)),
    count: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(400)),
    nominal: v.pipe(v.number(), v.finite(), v.minValue(0), v.maxValue(300)),
  }),
  v.check(({ index, count }) => index < count, 'this place lies beyond the last one'),
);
