import * as v from 'valibot';
import { type UnitType, UnitTypeSchema } from '@/model/unitType';
import { inWords } from '../faultWords';
import type { Fault } from './fault';
import { trialDrawing } from './trialDrawing';
import { validateUnitType } from './validate';

export interface DraftFound {
  /** Absent when the draft can't be read as a unit type at all. */
  readonly type?: UnitType;
  readonly faults: readonly Fault[];
}

/** Everything that is wrong with a description, from figures that are none to a train that can't turn, each with its path. */
export function faultsOfDraft(draft: unknown): DraftFound {
  const parsed = v.safeParse(UnitTypeSchema, draft);
  if (parsed.success) {
    const faults = validateUnitType(parsed.output);
    // What is known to be wrong is told as that; only what looks right is drawn for a trial.
    const drawable = faults.every(({ blocks }) => blocks !== 'section');
    return { type: parsed.output, faults: [...faults, ...(drawable ? trialDrawing(parsed.output) : [])] };
  }
  return {
    faults: parsed.issues.map((issue) => ({
      path: v.getDotPath(issue) ?? '',
      message: inWords(issue),
      blocks: 'section' as const,
    })),
  };
}
