import { shopContext } from '@/server/instance';
import { readAllTypes } from '@/server/unit-types/exchange';
import { AllTypesSheet } from '@/ui/unit-types/AllTypesSheet';
import { forPage, pageActor } from '../session';

export default async function AllTypesPage() {
  const actor = await pageActor();
  const unitTypes = await forPage(() => readAllTypes(actor, shopContext(), undefined));
  return <AllTypesSheet unitTypes={unitTypes} />;
}
