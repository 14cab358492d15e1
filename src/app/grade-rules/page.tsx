import { readRules } from '@/server/grade-rules/rules';
import { shopContext } from '@/server/instance';
import { RulesPage } from '@/ui/grade-rules/RulesPage';
import { forPage, pageActor } from '../session';

export default async function Page() {
  const actor = await pageActor();
  const state = await forPage(() => readRules(actor, shopContext(), undefined));
  return <RulesPage key={state.document.revision} state={state} actor={actor} />;
}
