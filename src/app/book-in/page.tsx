import { readBookInForm } from '@/server/book-in/bookIn';
import { shopContext } from '@/server/instance';
import { BookInForm } from '@/ui/book-in/BookInForm';
import { forPage, pageActor } from '../session';

const DAYS_USUAL = 10;

export default async function BookInPage() {
  const actor = await pageActor();
  const context = shopContext();
  const form = await forPage(() => readBookInForm(actor, context, undefined));
  const due = new Date(context.now().getTime() + DAYS_USUAL * 86_400_000).toISOString().slice(0, 10);
  return <BookInForm {...form} actor={actor} suggestedDue={due} />;
}
