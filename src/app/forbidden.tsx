import { FullPageWords } from '@/ui/frame/FullPageWords';
import { currentActor } from './session';

export default async function Forbidden() {
  const actor = await currentActor();
  return (
    <FullPageWords
      title="Not for this role"
      words="The page exists, but your role does not open it. Ask the lead or the administrator."
      {...(actor?.role === 'admin' ? { home: { href: '/people', name: 'To the people of the shop' } } : {})}
    />
  );
}
