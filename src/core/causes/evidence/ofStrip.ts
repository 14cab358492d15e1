import type { JobSnapshot } from '@/model/snapshot';
import { countablePairs } from '../../gearing/countablePairs';
import { identityOfEntry } from '../../gearing/identityOfEntry';
import { settledIdentity } from '../../open/identityQuestions';
import { inventory } from '../../strip/inventory';
import { recordsOf } from '../../strip/recordsOf';
import { stripPlan } from '../../strip/stripPlan';
import { handResults } from '../../wear/handTests';
import type { JudgedCheck, PartState } from '../../wear/partStanding';
import { placedId } from '../placeNetwork';
import { type Derived, either, type Source, told } from './derived';

/** From identity, inventory, how it came apart, what was measured and tried by hand. */
export const ofStrip = (job: JobSnapshot, parts: readonly PartState[]): Derived[] => [
  ...ofIdentity(job),
  ...ofInventory(job),
  ...ofSteps(job),
  ...parts.flatMap((part) => part.judgements.flatMap((judged) => ofCheck(part, judged))),
  ...parts.flatMap((part) => ofHand(part, job)),
];

function ofIdentity({ identities, unitType, records }: JobSnapshot): Derived[] {
  const pairs = countablePairs(unitType);
  return identities.flatMap((entry): Derived[] => {
    const pair = pairs.find(({ id }) => id === entry.pairId);
    const found = pair && identityOfEntry(entry, pair);
    if (!found || typeof found === 'string' || settledIdentity(records, entry)) return [];
    const source: Source = {
      words: `Counted ${entry.pinionTeeth} and ${entry.ringTeeth} teeth`,
      station: 'book-in',
    };
    const marks = found.conflicts.some(({ what }) => /set|match|mate/i.test(what));
    return [
      either('counts-differ', found.conflicts.length > 0 && !marks, source),
      ...(entry.pinionSet && entry.ringSet ? [either('marks-differ', marks, source)] : []),
    ];
  });
}

function ofInventory({ unitType, records }: JobSnapshot): Derived[] {
  const lines = inventory(unitType, records);
  const wrong = lines.find(({ state }) => state === 'wrong' || state === 'missing' || state === 'surplus');
  const at = (words: string, positionId?: string): Source => ({
    ...{ words, station: 'strip' },
    ...(positionId ? { positionId } : {}),
  });
  if (wrong)
    return [
      told('wrong-part-found', 'seen', at(`${wrong.position.name}: ${wrong.state}`, wrong.position.id)),
    ];
  return lines.length > 0 && lines.every(({ state }) => state === 'all-there')
    ? [told('wrong-part-found', 'absent', at('Everything was counted and is there'))]
    : [];
}

function ofSteps({ unitType, records }: JobSnapshot): Derived[] {
  const steps = recordsOf(records, 'step').map(({ content }) => content);
  const { steps: plan } = stripPlan(unitType, records);
  const done = plan.length > 0 && plan.every(({ state }) => state !== 'open');
  const nameOf = (id: string | undefined, title = '') =>
    plan.find(({ step }) => step.id === id)?.step.title ?? title;
  const loose = steps.find(({ looseWhenFound }) => looseWhenFound);
  const lock = steps.find(({ lockMissing }) => lockMissing);
  const at = (words: string): Source => ({ words, station: 'strip' });
  return [
    ...(loose
      ? [told('loose-before', 'seen', at(`Loose before the spanner: ${nameOf(loose.stepId, loose.title)}`))]
      : []),
    ...(lock ? [told('lock-missing', 'seen', at(`Lock missing: ${nameOf(lock.stepId, lock.title)}`))] : []),
    ...(done && !loose ? [told('loose-before', 'absent', at('Stripped; nothing was loose'))] : []),
    ...(done && !lock ? [told('lock-missing', 'absent', at('Stripped; no lock was missing'))] : []),
  ];
}

/** Above and below what each kind of check, by its definition; at a place where the node belongs to one. */
const OF_CHECK: Readonly<
  Record<string, { readonly above?: string; readonly below?: string; readonly placed?: true }>
> = {
  backlash: { above: 'backlash-wide', below: 'backlash-tight' },
  'turning-torque': { above: 'drag-high', below: 'drag-low' },
  'end-float': { above: 'float-wide', below: 'float-none' },
  'end-float-feeler': { above: 'float-wide', below: 'float-none' },
  'face-runout-turn': { above: 'ring-runout' },
  'face-runout-series': { above: 'ring-runout' },
  'reserve-gap': { below: 'reserve-small', placed: true },
  flatness: { above: 'ring-warped', placed: true },
  'thickness-four': { below: 'washer-thin', placed: true },
  thickness: { below: 'washer-thin', placed: true },
};
/** A reading too close to call speaks for what it lies nearer to, by how much more probable that is; never more than this. */
const MOST_RATIO = 8;

function ofCheck({ position }: PartState, { check, judgement }: JudgedCheck): Derived[] {
  const { word, decisive, limit, variation } = judgement;
  const source: Source = {
    words: `${position.name}: ${check.title}`,
    ...{ station: check.baseline ? 'baseline' : 'grade', positionId: position.id, checkId: check.id },
  };
  const nodes = OF_CHECK[check.definition ?? ''];
  const round = variation ? [either('backlash-varies', variation.verdict === 'beyond', source)] : [];
  const varies = check.definition === 'backlash' ? round : [];
  if (!nodes || !decisive || !limit || word === 'not-measured' || word === 'no-limit') return varies;
  const at = (node: string) => placedId(node, nodes.placed ? position.id : undefined);
  const isAbove = limit.max !== undefined && decisive.value > (limit.max + (limit.min ?? limit.max)) / 2;
  const [hit, other] = isAbove ? [nodes.above, nodes.below] : [nodes.below, nodes.above];
  const none = [nodes.above, nodes.below].filter((node) => node !== undefined);
  if (word === 'within') return [...varies, ...none.map((node) => told(at(node), 'absent', source))];
  if (!hit) return varies;
  const rest = other ? [told(at(other), 'absent', source)] : [];
  if (word === 'beyond') return [...varies, told(at(hit), 'seen', source), ...rest];
  const within = decisive.probabilityWithin ?? 0.5;
  const ratio = Math.min(MOST_RATIO, Math.max(1 / MOST_RATIO, (1 - within) / Math.max(within, 1e-6)));
  return [...varies, told(at(hit), 'seen', source, ratio), ...rest];
}

const OF_HAND: Readonly<Record<string, string>> = {
  'bearing-feel': 'bearing-rough',
  'ring-bite': 'bite-fails',
  'air-test': 'air-test-fails',
};

/** “Can't say” says nothing. Smooth by hand is no proof that a bearing is sound: it speaks against roughness, and against no spall. */
function ofHand({ position }: PartState, { records, catalogs }: JobSnapshot): Derived[] {
  return handResults(position, records, catalogs).flatMap(({ test, result }): Derived[] => {
    const node = OF_HAND[test.id];
    if (result === 'cannot-say') return [];
    const source: Source = {
      words: `${position.name}, by hand: ${test.title.toLowerCase()}`,
      ...{ station: 'grade', positionId: position.id },
    };
    if (test.id === 'rock-on-bush') return [either('gear-tilts', result === 'fail', source)];
    return node ? [either(placedId(node, position.id), result === 'fail', source)] : [];
  });
}
