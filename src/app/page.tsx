import { redirect } from 'next/navigation';
import { rightsOf } from '@/model/rights';
import { shopContext } from '@/server/instance';
import { readRack } from '@/server/shop/readRack';
import { shopToday } from '@/server/shopDay';
import { Rack } from '@/ui/rack/Rack';
import { forPage, pageActor } from './session';

interface RackPageProps {
  readonly searchParams: Promise<{ readonly all?: string }>;
}

/** The rack; whoever orders or builds begins with what waits, and comes to the rack from there. */
export default async function RackPage({ searchParams }: RackPageProps) {
  const actor = await pageActor();
  const { all } = await searchParams;
  if (all === undefined && (actor.role === 'parts' || actor.role === 'assembler')) redirect('/waiting');
  const context = shopContext();
  const rack = await forPage(() => readRack(actor, context, {}));
  return <Rack {...rack} actor={actor} rights={rightsOf(actor.role)} today={shopToday(context)} />;
}
