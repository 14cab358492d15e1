import type { OpenQuestion } from '@/model/openQuestion';
import type { JobSnapshot } from '@/model/snapshot';
import { isMarked } from '../setup/setupAdvice';
import { recordsOf } from '../strip/recordsOf';
import { openOfClosing } from './closing';
import { heldNewParts } from './newParts';
import { piecesIn } from './piecesIn';
import { rebuildPlan } from './rebuildPlan';
import { type SetUp, setUpsOf } from './setUp';

const KINDS = [
  ...(['refitted', 'torqued', 'round-torqued', 'counted-in', 'setup-round', 'measured-after'] as const),
  ...(['proved', 'rework', 'turning-torque'] as const),
] as const;

/** Whether anything of it went back in yet. */
export const isBegun = ({ records }: Pick<JobSnapshot, 'records'>): boolean =>
  KINDS.some((kind) => recordsOf(records, kind).length > 0);

type Sources = Pick<
  JobSnapshot,
  'unitType' | 'records' | 'decisions' | 'policies' | 'catalogs' | 'readings' | 'gauges' | 'timeZone'
>;

/**
 * What keeps a rebuild from being closed, once it has begun: steps that aren't in, bolts that don't hold yet, pieces that lie on the bench or
 * that there are too many of; gear sets that aren't set up; figures, proofs and rework; what nobody has signed for.
 */
export function openOfRebuild(snapshot: Sources): OpenQuestion[] {
  const held = heldNewParts(snapshot);
  const wrong = held
    .filter(({ state }) => state === 'wrong')
    .map(({ positionId, words }): OpenQuestion => ({ code: 'new-part-wrong', positionId, words }));
  if (!isBegun(snapshot)) return wrong;
  const steps = rebuildPlan(snapshot);
  return [
    ...wrong,
    ...held
      .filter(({ state }) => state !== 'wrong')
      .map(({ positionId, words }): OpenQuestion => ({ code: 'new-part-held', positionId, words })),
    ...steps.flatMap(({ id, title, done, bolts }): OpenQuestion[] => [
      ...(done ? [] : [{ code: 'not-refitted', positionId: null, stepId: id, step: title } as const]),
      ...(bolts?.next
        ? [{ code: 'bolts-open', positionId: null, stepId: id, step: title, out: bolts.out.length } as const]
        : []),
    ]),
    ...piecesIn(snapshot.unitType, steps, snapshot.records).flatMap(
      ({ position, inside, expected, state }): OpenQuestion[] =>
        state === 'missing' || state === 'too-many'
          ? [{ code: 'pieces-not-in', positionId: position.id, counted: inside ?? 0, expected }]
          : [],
    ),
    ...openOfSetUps(snapshot),
    ...openOfClosing(snapshot),
  ];
}

/** A gear set whose set-up was begun is open until it may stop, or somebody has signed for its backlash. */
function openOfSetUps(snapshot: Sources): OpenQuestion[] {
  const signed = new Set(recordsOf(snapshot.records, 'signed-off').map(({ content }) => content.of));
  return setUpsOf(snapshot, []).flatMap((setUp): OpenQuestion[] => {
    const { pair, name, band, rounds, ringPosition } = setUp;
    if (rounds.length === 0 || !band || signed.has(`after:${band.checkId}:${ringPosition}`)) return [];
    const why = whyNotSet(setUp);
    return why === '' ? [] : [{ code: 'set-up-open', positionId: null, pair, set: name, why }];
  });
}

function whyNotSet({ advice, rounds, trouble }: SetUp): string {
  if (!advice) return trouble;
  if (advice.status !== 'in-band') return 'the set-up is not done';
  return isMarked(rounds.map(({ content }) => content)) ? '' : 'the pattern was not marked';
}
