import { readNetwork } from '@/server/causes/keepNetwork';
import { shopContext } from '@/server/instance';
import { NetworkPage } from '@/ui/cause-network/NetworkPage';
import { forPage, pageActor } from '../session';

export default async function Page() {
  const actor = await pageActor();
  const state = await forPage(() => readNetwork(actor, shopContext(), undefined));
  return <NetworkPage key={state.document.revision} state={state} actor={actor} />;
}
