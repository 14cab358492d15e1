import { answer, forGood } from '@/app/api/answer';
import { drawShape } from '@/server/unit-types/drawShape';

/** A unit type's section made small, for the shelf. */
export const GET = answer(({ actor, context, params: { unitTypeId, revision } }) => {
  const svg = drawShape(actor, context, { unitTypeId, revision: Number(revision) });
  return new Response(svg, { headers: { ...forGood, 'content-type': 'image/svg+xml' } });
});
