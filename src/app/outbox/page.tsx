import { shopContext } from '@/server/instance';
import { readOutbox } from '@/server/mail/sendLetter';
import { Outbox } from '@/ui/outbox/Outbox';
import { forPage, pageActor } from '../session';

export const metadata = { title: 'Outbox' };

export default async function OutboxPage() {
  const actor = await pageActor();
  const mails = await forPage(() => readOutbox(actor, shopContext(), undefined));
  return <Outbox actor={actor} mails={mails} />;
}
