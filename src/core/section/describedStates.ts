import type { Position, UnitType } from '@/model/unitType';
import { expectedPieces } from '../strip/inventory';
import type { SectionOptions } from './sectionOptions';

/** What the labels of a type say while no unit of it lies on the bench: every part whole, with what is known of it. */
export const describedStates = (type: UnitType): SectionOptions['states'] =>
  new Map(
    type.positions.map((position) => [position.id, { grade: 0, words: describedWords(type, position) }]),
  );

function describedWords(type: UnitType, position: Position): string {
  const { id, quantity, oneUse, standardPart } = position;
  const stack = type.stacks.find((entry) => entry.position === id);
  if (stack) return `thicker: ${stack.thicker}`;
  const gear = type.gears.find((entry) => entry.position === id);
  const said = [
    gear ? `${gear.teeth} teeth` : '',
    quantity && expectedPieces(position) > 1 ? `${expectedPieces(position)} pieces` : '',
    oneUse ? 'one-use' : '',
    standardPart ? 'standard part' : '',
  ].filter((words) => words !== '');
  return said.join(', ') || position.family.replace(/-/g, ' ');
}
