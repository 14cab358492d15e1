import type { RecordOf } from '@/model/recordKinds';
import type { UnitType } from '@/model/unitType';

type Step = UnitType['steps'][number];

/** What a step may ask for that has a field of its own. Sides and ways round are told apart: "which way round" asks for no side. */
export const ASKED = { side: /side/, wayRound: /way round/, marks: /marks/, turns: /turns/ } as const;

/** Whether a step asks for something, by its list of what is to be put down. */
export const asksFor = ({ record }: Pick<Step, 'record'>, what: keyof typeof ASKED): boolean =>
  record.some((words) => ASKED[what].test(words));

/**
 * How something lay that a step asked for and nobody put down: once it is apart nobody can look again. What can be measured or counted afterwards, as
 * shims, oil or rollers, is told where it is measured.
 */
export function notPutDown(step: Step, said: RecordOf<'step'>): string[] {
  return [
    ...(asksFor(step, 'side') && !said.side ? ['which side'] : []),
    ...(asksFor(step, 'wayRound') && !said.orientation && !said.wayRound ? ['which way round'] : []),
    ...(asksFor(step, 'marks') && !said.marks ? ['match marks'] : []),
    ...(asksFor(step, 'turns') && said.adjusterTurns === undefined ? ['turns of the adjuster'] : []),
  ];
}
