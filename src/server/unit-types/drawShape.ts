import * as v from 'valibot';
import { silhouette } from '@/core/section/silhouette';
import { IdSchema } from '@/model/ids';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { readRevision } from './exchange';

const ON_THE_SHELF = { width: 250, height: 84 };
/** A revision never changes, and a shop has few. */
const drawn = new Map<string, string>();

/** A unit type's section made small, as an SVG in black: what stands on the shelf. */
export const drawShape = defineUseCase(
  'unit-type.read',
  v.object({ unitTypeId: IdSchema, revision: v.pipe(v.number(), v.integer(), v.minValue(1)) }),
  (actor, context, asked): string => {
    const type = readRevision(actor, context, asked);
    const key = `${asked.unitTypeId} ${asked.revision}`;
    const shape = drawn.get(key) ?? silhouette(type, ON_THE_SHELF)?.svg;
    if (shape === undefined) throw new Refusal('not-found', 'This unit type has nothing to draw yet.');
    drawn.set(key, shape);
    return shape;
  },
);
