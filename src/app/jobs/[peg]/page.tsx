import { shopContext } from '@/server/instance';
import { readSnapshotByPeg } from '@/server/job/readSnapshot';
import { rightsOf } from '@/server/rights';
import { Bench } from '@/ui/bench/Bench';
import { forPage, pageActor } from '../../session';

export default async function JobPage({ params }: { params: Promise<{ peg: string }> }) {
  const actor = await pageActor();
  const context = shopContext();
  const { peg } = await params;
  const snapshot = await forPage(() => readSnapshotByPeg(actor, context, { peg: Number(peg) }));
  return (
    <Bench
      first={snapshot}
      actor={actor}
      rights={rightsOf(actor.role)}
      today={context.now().toISOString().slice(0, 10)}
    />
  );
}
