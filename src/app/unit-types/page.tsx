import { rightsOf } from '@/model/rights';
import { shopContext } from '@/server/instance';
import { readUnitTypes } from '@/server/unit-types/exchange';
import { UnitTypes } from '@/ui/unit-types/UnitTypes';
import { forPage, pageActor } from '../session';

export default async function UnitTypesPage() {
  const actor = await pageActor();
  const { unitTypes } = await forPage(() => readUnitTypes(actor, shopContext(), undefined));
  return <UnitTypes unitTypes={unitTypes} actor={actor} rights={rightsOf(actor.role)} />;
}
