import { answer } from '@/app/api/answer';
import { pdfResponse } from '@/app/api/fileResponse';
import { printScaleCard } from '@/server/photos/printScaleCard';

export const GET = answer(async ({ actor, context }) =>
  pdfResponse(await printScaleCard(actor, context, {}), 'scale-card.pdf'),
);
