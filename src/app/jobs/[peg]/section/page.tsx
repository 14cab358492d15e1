import { shopContext } from '@/server/instance';
import { readPartsByPeg } from '@/server/job/readSnapshot';
import { longDate } from '@/ui/kit/dates';
import { PrintSheet } from '@/ui/section/PrintSheet';
import { forPage, pageActor } from '../../../session';

interface Props {
  params: Promise<{ peg: string }>;
  searchParams: Promise<{ gear?: string; coast?: string }>;
}

export default async function SectionForPaper({ params, searchParams }: Props) {
  const actor = await pageActor();
  const context = shopContext();
  const { peg } = await params;
  const { gear, coast } = await searchParams;
  const { snapshot, parts } = await forPage(() => readPartsByPeg(actor, context, { peg: Number(peg) }));
  return (
    <PrintSheet
      unitType={snapshot.unitType}
      parts={parts}
      lines={[
        `Peg ${snapshot.job.peg}`,
        snapshot.job.customer,
        ...(gear ? [`in ${gear}${coast ? ', coast' : ''}`] : []),
        longDate(context.now().toISOString()),
      ]}
      back={`/jobs/${snapshot.job.peg}`}
      gear={gear}
      coast={coast !== undefined}
    />
  );
}
