import type { PaperSection } from '@/model/paper';
import type { JobSnapshot } from '@/model/snapshot';
import type { Position } from '@/model/unitType';
import { expectedPieces } from '../strip/inventory';
import { orientationWords } from '../strip/stepWords';
import { stripPlan } from '../strip/stripPlan';

/** More numbers than this in one drawing lie over each other. */
const MOST_NUMBERS = 24;

/** Shaft by shaft from front to tail: a drawing with numbers, and for each number how the piece lay. */
export function howItLay({ unitType, records }: Pick<JobSnapshot, 'unitType' | 'records'>): PaperSection[] {
  const lay = layOfParts({ unitType, records });
  return unitType.axes.flatMap((axis) => {
    const along = unitType.positions
      .filter((position) => position.axis === axis.id)
      .sort((a, b) => (a.from ?? 0) - (b.from ?? 0));
    return inChunks(along, MOST_NUMBERS).map((chunk, at, all) => {
      const numbered = chunk.map((position, index) => ({
        position,
        number: at * MOST_NUMBERS + index + 1,
      }));
      const title = `How it lay: ${axis.name ?? axis.id}${all.length > 1 ? `, ${at + 1} of ${all.length}` : ''}`;
      return {
        id: `lay-${axis.id}-${at}`,
        title,
        blocks: [
          {
            as: 'drawing' as const,
            unitTypeId: unitType.id,
            revision: unitType.revision,
            places: numbered.map(({ position, number }) => ({
              number,
              positionIds: [position.id],
              name: position.name,
            })),
            caption: 'From front to tail; the numbers are those of the table.',
          },
          {
            as: 'table' as const,
            title,
            columns: [
              { name: 'No.', share: 0.08, numeric: true as const },
              { name: 'Part', share: 0.36 },
              { name: 'Pieces', share: 0.1, numeric: true as const },
              { name: 'How it lay', share: 0.46 },
            ],
            rows: numbered.map(({ position, number }) => ({
              key: position.id,
              cells: [
                String(number),
                position.name,
                String(expectedPieces(position)),
                lay.get(position.id) ?? 'not noted',
              ],
            })),
          },
        ],
      };
    });
  });
}

/** By part, what was noted of which way round it lay, which side, which marks, how far the adjuster was out. */
function layOfParts({ unitType, records }: Pick<JobSnapshot, 'unitType' | 'records'>): Map<string, string> {
  const lay = new Map<string, string>();
  const { steps, log } = stripPlan(unitType, records);
  for (const { step, record } of steps) {
    const content = record?.content;
    if (!content || content.skipped) continue;
    const words = [
      content.side ? `${content.side} side` : '',
      content.orientation ? orientationWords(content.orientation) : '',
      content.wayRound ?? '',
      content.marks ? `marks: ${content.marks}` : '',
      content.adjusterTurns === undefined ? '' : `adjuster ${content.adjusterTurns} turns out`,
    ].filter(Boolean);
    if (words.length === 0) continue;
    // What was noted of a step may be of one of its pieces alone: there the step is named, for it to be read there.
    const of = step.positions.length > 1 ? `step ${log.findIndex(({ id }) => id === record.id) + 1}: ` : '';
    for (const id of step.positions) lay.set(id, `${of}${words.join('; ')}`);
  }
  return lay;
}

function inChunks(list: readonly Position[], size: number): Position[][] {
  const count = Math.ceil(list.length / size);
  return Array.from({ length: count }, (_, at) => list.slice(at * size, (at + 1) * size));
}
