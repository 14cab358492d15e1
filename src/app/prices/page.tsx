import { shopContext } from '@/server/instance';
import { readPrices } from '@/server/planning/priceLists';
import { PricesPage } from '@/ui/prices/PricesPage';
import { forPage, pageActor } from '../session';

export default async function Page() {
  const actor = await pageActor();
  const prices = await forPage(() => readPrices(actor, shopContext(), undefined));
  return <PricesPage {...prices} actor={actor} />;
}
