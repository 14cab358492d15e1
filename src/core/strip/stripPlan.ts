import type { RecordOf } from '@/model/recordKinds';
import type { BenchRecord } from '@/model/snapshot';
import type { Position, UnitType } from '@/model/unitType';
import { notPutDown } from './notPutDown';
import { type Recorded, recordsOf } from './recordsOf';

type Step = UnitType['steps'][number];

export interface PlanStep {
  readonly step: Step;
  readonly state: 'open' | 'done' | 'skipped';
  /** The last word about it. */
  readonly record?: Recorded<'step'>;
  readonly oneUse: readonly Position[];
  /** Stacks among its pieces: their shims are put down one by one. */
  readonly stacks: readonly Position[];
  /** How it lay as far as it was asked and, though it is done, nobody put it down. */
  readonly unsaid: readonly string[];
}

export interface StripPlan {
  readonly steps: readonly PlanStep[];
  /** Steps that nobody had foreseen, as they were done. */
  readonly added: readonly Recorded<'step'>[];
  /** The first step that is still open, in the type's order. */
  readonly next: PlanStep | undefined;
  /** Everything that was done, in the order in which it was done, whatever the plan says. */
  readonly log: readonly Recorded<'step'>[];
}

/** The type's order of stripping with what was done of it; a later record of a step replaces an earlier one. */
export function stripPlan(type: UnitType, records: readonly BenchRecord[]): StripPlan {
  const done = recordsOf(records, 'step');
  const lastOf = new Map(
    done.flatMap((record) => {
      const id = stepIdOf(type, record.content);
      return id === undefined ? [] : [[id, record] as const];
    }),
  );
  const steps = type.steps.map((step): PlanStep => {
    const record = lastOf.get(step.id);
    const pieces = type.positions.filter(({ id }) => step.positions.includes(id));
    return {
      step,
      state: !record ? 'open' : record.content.skipped ? 'skipped' : 'done',
      ...(record ? { record } : {}),
      oneUse: pieces.filter(({ oneUse }) => oneUse),
      stacks: pieces.filter(({ id }) => type.stacks.some((stack) => stack.position === id)),
      unsaid: record && !record.content.skipped ? notPutDown(step, record.content) : [],
    };
  });
  return {
    steps,
    added: done.filter(({ content }) => stepIdOf(type, content) === undefined),
    next: steps.find(({ state }) => state === 'open'),
    log: done.filter(({ id, content }) => {
      const step = stepIdOf(type, content);
      return step === undefined || lastOf.get(step)?.id === id;
    }),
  };
}

/** The step of the plan that a record is of. One that was added at the bench belongs to the plan once the type has taken it up. */
export const stepIdOf = (
  { steps }: Pick<UnitType, 'steps'>,
  { stepId, title }: RecordOf<'step'>,
): string | undefined => stepId ?? steps.find((step) => step.title === title)?.id;

/** The log the other way round: what came off last goes on first. Steps that were skipped were never undone. */
export const rebuildOrder = ({ log }: StripPlan): Recorded<'step'>[] =>
  log.filter(({ content }) => !content.skipped).reverse();

/** The shims of a stack as they were put down one by one, mm. */
export const shimsAsFound = ({ log }: StripPlan, positionId: string): number[] =>
  log.flatMap(({ content }) =>
    (content.shims ?? [])
      .filter((shim) => shim.positionId === positionId)
      .map(({ thicknessMm }) => thicknessMm),
  );
