import { rightsOf } from '@/model/rights';
import { shopContext } from '@/server/instance';
import { exportType } from '@/server/unit-types/exchange';
import { EditShopType } from '@/ui/unit-types/EditShopType';
import { forPage, pageActor } from '../../session';

export default async function UnitTypePage({ params }: { params: Promise<{ unitTypeId: string }> }) {
  const actor = await pageActor();
  const { unitTypeId } = await params;
  const unitType = await forPage(() => exportType(actor, shopContext(), { unitTypeId }));
  return (
    <EditShopType key={unitType.revision} unitType={unitType} actor={actor} rights={rightsOf(actor.role)} />
  );
}
