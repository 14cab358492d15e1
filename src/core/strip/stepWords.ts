import type { RecordOf } from '@/model/recordKinds';
import type { UnitType } from '@/model/unitType';
import { formatNumber } from '../quantity/format';

/** A step of the log in one line: what was done, and how everything lay. */
export function stepWords(type: UnitType, content: RecordOf<'step'>): string {
  const title = type.steps.find(({ id }) => id === content.stepId)?.title ?? content.title ?? 'A step';
  if (content.skipped) return `${title}: left out, ${content.reason ?? ''}`;
  const said = [
    content.side ? `${content.side} side` : '',
    content.orientation ? orientationWords(content.orientation) : '',
    content.wayRound ?? '',
    content.marks ? `marks: ${content.marks}` : '',
    content.adjusterTurns === undefined ? '' : `adjuster ${formatNumber(content.adjusterTurns, 2)} turns out`,
    ...shimWords(type, content.shims ?? []),
    content.looseWhenFound ? 'loose before the spanner came' : '',
    content.lockMissing ? 'lock missing' : '',
    content.note ?? '',
  ].filter((words) => words !== '');
  return said.length === 0 ? title : `${title}: ${said.join('; ')}`;
}

/** Which face of a piece looked where. */
export const orientationWords = ({ face, toward }: NonNullable<RecordOf<'step'>['orientation']>): string =>
  `${face} toward the ${toward === 'up' ? 'top' : toward === 'down' ? 'bottom' : toward}`;

/** Each stack with its shims and their sum. */
function shimWords(type: UnitType, shims: NonNullable<RecordOf<'step'>['shims']>): string[] {
  const stacks = [...new Set(shims.map(({ positionId }) => positionId))];
  return stacks.map((id) => {
    const own = shims.filter(({ positionId }) => positionId === id).map(({ thicknessMm }) => thicknessMm);
    const name = type.positions.find((position) => position.id === id)?.name ?? id;
    const sum = own.reduce((all, each) => all + each, 0);
    return `${name} ${own.map((each) => formatNumber(each, 2)).join(' + ')} = ${formatNumber(sum, 2)} mm`;
  });
}
