import type { UnitType } from '@/model/unitType';
import { pairsOfPosition } from '../gearing/countablePairs';
import { forecastVariation } from '../gearing/forecastVariation';
import type { JudgedCheck, PartState } from '../wear/partStanding';

export interface RunOutForecast {
  /** The backlash variation that the run-out brings with it, mm. */
  readonly expected: number;
  /** What the limit of the backlash permits, mm, where it has one. */
  readonly permitted?: number;
  /** No shim will cure it: it exceeds what is permitted. */
  readonly beyondShims: boolean;
}

/** What a run-out that was measured says of the backlash, before anything is assembled; nothing for a check that forecasts none. */
export function runOutForecast(
  type: Pick<UnitType, 'gears' | 'meshes'>,
  { position, judgements }: Pick<PartState, 'position' | 'judgements'>,
  { check, judgement }: JudgedCheck,
): RunOutForecast | undefined {
  if (!check.forecasts || !judgement.decisive || judgement.unit !== 'mm') return undefined;
  const expected = forecastVariation(type, position.id, judgement.decisive.value);
  if (expected === undefined) return undefined;
  const permitted = judgements.find((other) => other.check.id === check.forecasts)?.judgement.limit
    ?.variation;
  return {
    expected,
    ...(permitted === undefined ? {} : { permitted }),
    beyondShims: permitted !== undefined && expected > permitted,
  };
}

/** The run-out that comes before any shim or pattern of the pair that a position belongs to; nothing where none does. */
export function runOutFirst(
  type: Pick<UnitType, 'gears' | 'meshes' | 'positions'>,
  parts: readonly PartState[],
  positionId: string,
): (RunOutForecast & { readonly part: string; readonly check: string }) | undefined {
  const pair = new Set([
    positionId,
    ...pairsOfPosition(type, positionId).flatMap(({ positions }) => positions),
  ]);
  for (const part of parts.filter(({ position }) => pair.has(position.id)))
    for (const judged of part.judgements) {
      const forecast = runOutForecast(type, part, judged);
      if (forecast?.beyondShims) return { ...forecast, part: part.position.name, check: judged.check.title };
    }
  return undefined;
}
