import { shopContext } from '@/server/instance';
import { readPeople } from '@/server/shop/people';
import { People } from '@/ui/people/People';
import { forPage, pageActor } from '../session';

export default async function PeoplePage() {
  const actor = await pageActor();
  const people = await forPage(() => readPeople(actor, shopContext(), undefined));
  return <People people={people} actor={actor} />;
}
