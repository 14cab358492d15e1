import { shopContext } from '@/server/instance';
import { readPeople } from '@/server/shop/people';
import { readShopZone } from '@/server/shop/timeZone';
import { People } from '@/ui/people/People';
import { forPage, pageActor } from '../session';

export default async function PeoplePage() {
  const actor = await pageActor();
  const context = shopContext();
  const people = await forPage(() => readPeople(actor, context, undefined));
  return <People people={people} zone={readShopZone(actor, context, undefined)} actor={actor} />;
}
