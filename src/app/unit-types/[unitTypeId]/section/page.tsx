import { shopContext } from '@/server/instance';
import { exportType } from '@/server/unit-types/exchange';
import { PrintSheet } from '@/ui/section/PrintSheet';
import { forPage, pageActor } from '../../../session';

export default async function TypeForPaper({ params }: { params: Promise<{ unitTypeId: string }> }) {
  const actor = await pageActor();
  const { unitTypeId } = await params;
  const unitType = await forPage(() => exportType(actor, shopContext(), { unitTypeId }));
  return (
    <PrintSheet
      unitType={unitType}
      lines={[unitType.maker, unitType.id, `revision ${unitType.revision}`].filter((line) => line !== '')}
      back={`/unit-types/${unitType.id}`}
    />
  );
}
