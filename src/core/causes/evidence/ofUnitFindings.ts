import type { JobSnapshot } from '@/model/snapshot';
import { recordsOf } from '../../strip/recordsOf';
import type { PartState } from '../../wear/partStanding';
import type { UnitFindingCode } from '../../wear/unitFinding';
import { unitFindings } from '../../wear/unitFindings';
import { type Derived, either } from './derived';

/** The node of the network that a statement about the whole unit is about. */
const NODE_OF: Partial<Record<UnitFindingCode, string>> = {
  'scuffing-every-mesh': 'scuffing-all-over',
  'dents-through-bearings': 'dents-all-over',
  'heat-everywhere': 'heat-all-over',
  'copper-loss-several': 'eaten-all-over',
  'debris-through-meshes': 'marks-all-over',
  'engagement-some-gears': 'dogs-all-over',
};

/** What is said of the unit as a whole; where a person refused it, that it isn't so. Its parts, where they are entered, go before it. */
export function ofUnitFindings(job: JobSnapshot, parts: readonly PartState[]): Derived[] {
  const said = new Map(recordsOf(job.records, 'unit-finding').map(({ content }) => [content.code, content]));
  const found = new Map(unitFindings(job, parts).map(({ code, title }) => [code, title]));
  return Object.entries(NODE_OF).flatMap(([code, node]): Derived[] => {
    const word = said.get(code);
    if (word?.stands === false)
      return [either(node, false, { words: `Refused for the unit: ${word.reason}`, station: 'grade' })];
    const title = found.get(code as UnitFindingCode) ?? word?.words;
    return title === undefined
      ? []
      : [either(node, true, { words: `Of the whole unit: ${title}`, station: 'grade' })];
  });
}
