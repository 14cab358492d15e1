import type { PaperBlock } from '@/model/paper';
import type { JobSnapshot } from '@/model/snapshot';
import { marksOn } from '../imaging/marks';
import { findActive } from '../wear/active';

/** Every photograph of a job with its marks, by the part that it shows; what is filed under none comes last. */
export function photographsOf({
  photographs,
  unitType,
  records,
}: Pick<JobSnapshot, 'photographs' | 'unitType' | 'records'>): PaperBlock {
  const order = new Map(unitType.positions.map(({ id, name }, at) => [id, { at, name }]));
  const place = (id: string | null) => order.get(id ?? '')?.at ?? order.size;
  return {
    as: 'photographs',
    photographs: findActive(photographs)
      .toSorted((a, b) => place(a.positionId) - place(b.positionId))
      .map(({ id, digest, width, height, positionId, fileName }) => ({
        ...{ id, digest, width, height },
        caption: `${order.get(positionId ?? '')?.name ?? 'Not filed under a part'}, ${fileName}`,
        marks: marksOn(records, id),
      })),
  };
}
