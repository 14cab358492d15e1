import { shopContext } from '@/server/instance';
import { readWays } from '@/server/shop/ways';
import { WaysPage } from '@/ui/ways/WaysPage';
import { forPage, pageActor } from '../session';

export default async function Page() {
  const actor = await pageActor();
  const ways = await forPage(() => readWays(actor, shopContext(), undefined));
  return <WaysPage ways={ways} actor={actor} />;
}
