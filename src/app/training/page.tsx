import { shopContext } from '@/server/instance';
import { readTraining } from '@/server/second-look/training';
import { TrainingPage } from '@/ui/second-look/TrainingPage';
import { forPage, pageActor } from '../session';

export default async function Page() {
  const actor = await pageActor();
  const state = await forPage(() => readTraining(actor, shopContext(), undefined));
  return <TrainingPage state={state} actor={actor} />;
}
