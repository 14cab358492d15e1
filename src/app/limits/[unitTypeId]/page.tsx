import { rightsOf } from '@/model/rights';
import { shopContext } from '@/server/instance';
import { readSheet } from '@/server/limits/sheets';
import { SheetEditor } from '@/ui/limits/SheetEditor';
import { forPage, pageActor } from '../../session';

export default async function SheetPage({ params }: { params: Promise<{ unitTypeId: string }> }) {
  const actor = await pageActor();
  const { unitTypeId } = await params;
  const { unitType, revisions, definitions } = await forPage(() =>
    readSheet(actor, shopContext(), { unitTypeId }),
  );
  return (
    <SheetEditor
      key={unitType.revision}
      unitType={unitType}
      revisions={revisions}
      definitions={definitions}
      actor={actor}
      rights={rightsOf(actor.role)}
    />
  );
}
