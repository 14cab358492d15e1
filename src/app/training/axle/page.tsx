import { shopContext } from '@/server/instance';
import { readTraining } from '@/server/second-look/training';
import { PracticeAxle } from '@/ui/practice/PracticeAxle';
import { forPage, pageActor } from '../../session';

export const metadata = { title: 'Practice axle' };

/** An axle that is no job: it stands in no rack and counts for nothing. Who may train graders’ eyes may train his hands. */
export default async function Page() {
  const actor = await pageActor();
  await forPage(() => readTraining(actor, shopContext(), undefined));
  return <PracticeAxle actor={actor} />;
}
