import type { RecordOf } from '@/model/recordKinds';
import type { Position, UnitType } from '@/model/unitType';

type Step = UnitType['steps'][number];

/** What a step may ask for that has a field of its own. Sides and ways round are told apart: "which way round" asks for no side. */
export const ASKED = { side: /side/, wayRound: /way round/, marks: /marks/, turns: /turns/ } as const;

/** Whether a step asks for something, by its list of what is to be put down. */
export const asksFor = ({ record }: Pick<Step, 'record'>, what: keyof typeof ASKED): boolean =>
  record.some((words) => ASKED[what].test(words));

/**
 * How something lay that a step asked for and nobody put down: once it is apart nobody can look again. What is put down elsewhere, as readings, oil or
 * counts, is told there.
 * @param stacks the shim stacks among its pieces
 */
export function notPutDown(step: Step, stacks: readonly Position[], said: RecordOf<'step'>): string[] {
  const shimmed = new Set((said.shims ?? []).map(({ positionId }) => positionId));
  return [
    ...(asksFor(step, 'side') && !said.side ? ['which side'] : []),
    ...(asksFor(step, 'wayRound') && !said.orientation && !said.wayRound ? ['which way round'] : []),
    ...(asksFor(step, 'marks') && !said.marks ? ['match marks'] : []),
    ...(asksFor(step, 'turns') && said.adjusterTurns === undefined ? ['turns of the adjuster'] : []),
    ...stacks.filter(({ id }) => !shimmed.has(id)).map(({ name }) => `thickness of “${name}”`),
  ];
}
