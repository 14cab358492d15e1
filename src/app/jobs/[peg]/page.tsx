import { rightsOf } from '@/model/rights';
import { shopContext } from '@/server/instance';
import { openBench } from '@/server/job/readSnapshot';
import { shopToday } from '@/server/shopDay';
import { BenchPage } from '@/ui/bench/BenchPage';
import { forPage, pageActor } from '../../session';

export default async function JobPage({ params }: { params: Promise<{ peg: string }> }) {
  const actor = await pageActor();
  const context = shopContext();
  const { peg } = await params;
  const { snapshot, cursor, shop } = await forPage(() => openBench(actor, context, { peg: Number(peg) }));
  return (
    <BenchPage
      first={{ snapshot, cursor, shop }}
      actor={actor}
      rights={rightsOf(actor.role)}
      today={shopToday(context)}
    />
  );
}
