import { answer, jsonBody, LONG_TEXT } from '@/app/api/answer';
import { previewTable, printTable } from '@/server/limits/sheetAsTable';

export const GET = answer(({ actor, context, params }) => {
  const { fileName, text } = printTable(actor, context, { unitTypeId: params.unitTypeId ?? '' });
  return new Response(text, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${fileName}"`,
      'cache-control': 'no-store',
    },
  });
});

export const POST = answer(async ({ actor, context, request, params }) =>
  previewTable(actor, context, {
    ...((await jsonBody(request, LONG_TEXT)) as object),
    unitTypeId: params.unitTypeId,
  }),
);
