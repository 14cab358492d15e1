import { readBookInForm } from '@/server/book-in/bookIn';
import { shopContext } from '@/server/instance';
import { BookInForm } from '@/ui/book-in/BookInForm';
import { forPage, pageActor } from '../session';

export default async function BookInPage() {
  const actor = await pageActor();
  const form = await forPage(() => readBookInForm(actor, shopContext(), undefined));
  return <BookInForm {...form} actor={actor} />;
}
