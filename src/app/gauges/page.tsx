import { rightsOf } from '@/model/rights';
import { shopContext } from '@/server/instance';
import { readGauges } from '@/server/shop/gauges';
import { shopToday } from '@/server/shopDay';
import { Gauges } from '@/ui/gauge/Gauges';
import { forPage, pageActor } from '../session';

export default async function GaugesPage() {
  const actor = await pageActor();
  const context = shopContext();
  const gauges = await forPage(() => readGauges(actor, context, undefined));
  return <Gauges gauges={gauges} actor={actor} rights={rightsOf(actor.role)} today={shopToday(context)} />;
}
