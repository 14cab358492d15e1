import { findActive } from '@/core/wear/active';
import type { BlindPart } from '@/model/secondLook';
import type { Context } from '../context';
import { gatherSnapshot } from '../job/readSnapshot';

/** A part as somebody sees it who grades from photographs; undefined where none of it is left. */
export function blindPart({ db }: Context, jobId: string, positionId: string): BlindPart | undefined {
  const { unitType, photographs } = gatherSnapshot(db, jobId);
  const position = unitType.positions.find(({ id }) => id === positionId);
  const own = findActive(photographs).filter((photograph) => photograph.positionId === positionId);
  if (!position || own.length === 0) return undefined;
  return {
    ...{ jobId, positionId, part: position.name, family: position.family },
    photographs: own.map(({ id, width, height }) => ({ id, width, height })),
  };
}
