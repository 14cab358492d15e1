import * as v from 'valibot';
import { silhouette } from '@/core/section/silhouette';
import { IdSchema } from '@/model/ids';
import { defineUseCase } from '../useCase';
import { readRevision } from './exchange';

const ON_THE_SHELF = { width: 250, height: 84 };
/** Something stands here, and nobody has said of what it is made: an outline with nothing in it. */
const NOT_DESCRIBED =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 150 84" width="150" height="84"><path d="M4 34H16V22H58L72 30H112C136 30 144 44 144 58C144 74 132 82 112 82H60C40 82 30 78 26 70L16 66V60H4Z" fill="none" stroke="#000" stroke-width="1.5" stroke-dasharray="6 4"/></svg>';
/** A revision never changes, and a shop has few. */
const drawn = new Map<string, string>();

/** A unit type's section made small, as an SVG in black: what stands on the shelf. */
export const drawShape = defineUseCase(
  'unit-type.read',
  v.object({ unitTypeId: IdSchema, revision: v.pipe(v.number(), v.integer(), v.minValue(1)) }),
  (actor, context, asked): string => {
    const type = readRevision(actor, context, asked);
    const key = `${asked.unitTypeId} ${asked.revision}`;
    const shape = drawn.get(key) ?? silhouette(type, ON_THE_SHELF)?.svg ?? NOT_DESCRIBED;
    drawn.set(key, shape);
    return shape;
  },
);
