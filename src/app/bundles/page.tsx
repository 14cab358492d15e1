import { forbidden } from 'next/navigation';
import { mayDo } from '@/model/rights';
import { Bundles } from '@/ui/bundles/Bundles';
import { pageActor } from '../session';

export const metadata = { title: 'Bundles' };

export default async function BundlesPage() {
  const actor = await pageActor();
  if (!mayDo(actor.role, 'bundle.move')) forbidden();
  return <Bundles actor={actor} />;
}
