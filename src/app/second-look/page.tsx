import { shopContext } from '@/server/instance';
import { readSecondLooks } from '@/server/second-look/secondLook';
import { SecondLookPage } from '@/ui/second-look/SecondLookPage';
import { forPage, pageActor } from '../session';

export default async function Page() {
  const actor = await pageActor();
  const state = await forPage(() => readSecondLooks(actor, shopContext(), undefined));
  return (
    <SecondLookPage key={`${state.next?.jobId} ${state.next?.positionId}`} state={state} actor={actor} />
  );
}
