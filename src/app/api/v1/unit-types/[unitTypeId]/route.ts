import { answer } from '@/app/api/answer';
import { exportType } from '@/server/unit-types/exchange';

export const GET = answer(({ actor, context, params }) => {
  const type = exportType(actor, context, { unitTypeId: params.unitTypeId ?? '' });
  return new Response(JSON.stringify(type, null, 2), {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${type.id}-revision-${type.revision}.json"`,
      'cache-control': 'no-store',
    },
  });
});
