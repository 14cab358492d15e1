import type { UnitType } from '@/model/unitType';
import { freeId } from '../unit-type/editType';
import { type StripPlan, stepIdOf } from './stripPlan';

type Steps = UnitType['steps'];

/**
 * The order in which a unit really came apart, as the steps of its type: what was done in the order in which it was done,
 * steps that were added among them under ids of their own. What was left out or is still open keeps its place behind the
 * step that it followed. Undefined when that is the order which the type has already.
 */
export function orderFound(type: Pick<UnitType, 'steps'>, plan: StripPlan): Steps | undefined {
  const done = plan.log.filter(({ content }) => !content.skipped);
  const ids = type.steps.map(({ id }) => ({ id }));
  const found: Steps = [];
  for (const { content } of done) {
    const known = type.steps.find(({ id }) => id === stepIdOf(type, content));
    if (known) found.push(known);
    else if (content.title)
      found.push({
        id: freeId([...ids, ...found.map(({ id }) => ({ id }))], 'added-step'),
        title: content.title,
        positions: [],
        cautions: [],
        record: [],
      });
  }
  type.steps.forEach((step, index) => {
    if (found.includes(step)) return;
    const before = type.steps.slice(0, index).findLast((other) => found.includes(other));
    found.splice(before ? found.indexOf(before) + 1 : 0, 0, step);
  });
  const same =
    found.length === type.steps.length && found.every(({ id }, index) => id === type.steps[index]?.id);
  return same ? undefined : found;
}
