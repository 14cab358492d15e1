import { notFound } from 'next/navigation';
import { shopContext } from '@/server/instance';
import { readSnapshotByPeg } from '@/server/job/readSnapshot';
import { EditJobType } from '@/ui/unit-types/EditJobType';
import { forPage, pageActor } from '../../../session';

export default async function JobTypePage({ params }: { params: Promise<{ peg: string }> }) {
  const actor = await pageActor();
  const { peg } = await params;
  const { unitType, job } = await forPage(() =>
    readSnapshotByPeg(actor, shopContext(), { peg: Number(peg) }),
  );
  if (!job.ownType) notFound();
  return <EditJobType key={unitType.revision} unitType={unitType} job={job} actor={actor} />;
}
