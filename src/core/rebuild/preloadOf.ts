import type { Check } from '@/model/checks';
import type { JobSnapshot } from '@/model/snapshot';
import { type CheckJudgement, judgeCheck } from '../metrology/judgeCheck';
import { carrierTorque, type PreloadAdvice, preloadAdvice } from '../setup/preload';
import { type Recorded, recordsOf } from '../strip/recordsOf';
import type { SetUp } from './setUp';
import { limitsFor, torqueCheckOf } from './setUpReadings';

export interface Preload {
  readonly check: Check;
  readonly readings: readonly Recorded<'turning-torque'>[];
  /** N·m of the bearings alone, the seal taken off: first and last of the pinion. */
  readonly found: number | undefined;
  readonly now: number | undefined;
  readonly judgement: CheckJudgement | undefined;
  readonly advice: PreloadAdvice | undefined;
  /** N·m at the carrier, from the last total and the last of the pinion. */
  readonly carrier: number | undefined;
  /** A new sleeve is crushed only when depth and pattern are right: why it may not be yet. */
  readonly early: string;
}

type Sources = Pick<JobSnapshot, 'unitType' | 'records' | 'gauges' | 'timeZone'>;

/** The preload of a set-up’s pinion: how it was, how it is, and what to do. Nothing where the type asks for no turning torque. */
export function preloadOf(sources: Sources, setUp: SetUp): Preload | undefined {
  const { unitType, records, gauges, timeZone } = sources;
  const check = torqueCheckOf(unitType, setUp.pinionPosition);
  if (!check) return undefined;
  const readings = recordsOf(records, 'turning-torque').filter(({ content }) => content.pair === setUp.pair);
  const ofPinion = readings.filter(({ content }) => content.of === 'pinion').map(({ content }) => content);
  const last = ofPinion.at(-1);
  const own = (reading: (typeof ofPinion)[number]) => reading.steady - reading.seal;
  const head = { check, readings, early: earlyWords(setUp, last) };
  if (!last)
    return {
      ...head,
      found: undefined,
      now: undefined,
      judgement: undefined,
      advice: undefined,
      carrier: undefined,
    };
  const now = own(last);
  const limits = limitsFor(check, last.bearings);
  const taken = { value: now, raw: String(now), unit: 'Nm' as const, place: '', gaugeId: last.gaugeId };
  const judgement = judgeCheck(
    { ...check, limits, places: undefined, every: undefined },
    [taken],
    gauges,
    timeZone,
  );
  const { min, max } = judgement.limit ?? {};
  const total = readings.findLast(({ content }) => content.of === 'total')?.content;
  return {
    ...head,
    ...{ found: own(ofPinion[0]!), now, judgement },
    advice:
      min === undefined || max === undefined
        ? undefined
        : preloadAdvice({
            ...{ band: { min, max }, steady: now, doubt: judgement.decisive?.expandedUncertainty ?? 0 },
            ...{ bearings: last.bearings, sleeve: last.sleeve, turns: last.turns },
          }),
    carrier:
      total && setUp.pinionTeeth > 0
        ? carrierTorque(total.steady, last.steady, setUp.ringTeeth / setUp.pinionTeeth)
        : undefined,
  };
}

function earlyWords(
  { advice }: Pick<SetUp, 'advice'>,
  last: { readonly sleeve: string } | undefined,
): string {
  if (last?.sleeve !== 'new' || advice?.status !== 'move' || !advice.move?.depth) return '';
  return 'The depth is to be changed: that takes the pinion out, and this sleeve with it. Set up on drag with an old sleeve or none; the new one is crushed last.';
}
