import { readWords } from '@/server/grade-rules/ownWords';
import { shopContext } from '@/server/instance';
import { WordsPage } from '@/ui/grade-rules/WordsPage';
import { forPage, pageActor } from '../session';

export default async function Page() {
  const actor = await pageActor();
  const { document } = await forPage(() => readWords(actor, shopContext(), undefined));
  return <WordsPage key={document.revision} document={document} actor={actor} />;
}
