import { rightsOf } from '@/model/rights';
import { shopContext } from '@/server/instance';
import { readSheets } from '@/server/limits/sheets';
import { LimitSheets } from '@/ui/limits/LimitSheets';
import { forPage, pageActor } from '../session';

export default async function LimitsPage() {
  const actor = await pageActor();
  const { unitTypes, tooClosePolicy } = await forPage(() => readSheets(actor, shopContext(), undefined));
  return (
    <LimitSheets
      unitTypes={unitTypes}
      tooClosePolicy={tooClosePolicy}
      actor={actor}
      rights={rightsOf(actor.role)}
    />
  );
}
