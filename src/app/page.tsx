import { rightsOf } from '@/model/rights';
import { shopContext } from '@/server/instance';
import { readRack } from '@/server/shop/readRack';
import { shopToday } from '@/server/shopDay';
import { Rack } from '@/ui/rack/Rack';
import { forPage, pageActor } from './session';

export default async function RackPage() {
  const actor = await pageActor();
  const context = shopContext();
  const rack = await forPage(() => readRack(actor, context, {}));
  return <Rack {...rack} actor={actor} rights={rightsOf(actor.role)} today={shopToday(context)} />;
}
