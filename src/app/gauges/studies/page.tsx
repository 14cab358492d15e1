import { rightsOf } from '@/model/rights';
import { shopContext } from '@/server/instance';
import { readStudies } from '@/server/studies/studies';
import { Studies } from '@/ui/studies/Studies';
import { forPage, pageActor } from '../../session';

export default async function StudiesPage() {
  const actor = await pageActor();
  const { studies, gauges, people } = await forPage(() => readStudies(actor, shopContext(), undefined));
  return (
    <Studies studies={studies} gauges={gauges} people={people} actor={actor} rights={rightsOf(actor.role)} />
  );
}
