import { shopContext } from '@/server/instance';
import { readWaiting } from '@/server/waiting/readWaiting';
import { WaitingPage } from '@/ui/waiting/WaitingPage';
import { forPage, pageActor } from '../session';

export default async function Page() {
  const actor = await pageActor();
  const waiting = await forPage(() => readWaiting(actor, shopContext(), undefined));
  return <WaitingPage {...waiting} actor={actor} />;
}
