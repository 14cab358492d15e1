import { rightsOf } from '@/model/rights';
import { shopContext } from '@/server/instance';
import { readStudy } from '@/server/studies/studies';
import { StudyPage } from '@/ui/studies/StudyPage';
import { forPage, pageActor } from '../../../session';

export default async function GaugeStudyPage({ params }: { params: Promise<{ studyId: string }> }) {
  const actor = await pageActor();
  const { studyId } = await params;
  const view = await forPage(() => readStudy(actor, shopContext(), { studyId }));
  return <StudyPage view={view} actor={actor} rights={rightsOf(actor.role)} />;
}
