import { mayTickRound } from '@/core/rebuild/boltTicks';
import { heldNewParts } from '@/core/rebuild/newParts';
import { rebuildPlan } from '@/core/rebuild/rebuildPlan';
import { heldByRework, reworkTickets } from '@/core/rebuild/reworkTickets';
import type { RecordContent } from '@/model/recordKinds';
import type { Context } from '../context';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';

/** A round is told in one word only where that is safe. */
export function refuseWholeRound(
  { db }: Context,
  jobId: string,
  { of, stage, bolts }: Extract<RecordContent, { what: 'round-torqued' }>,
): void {
  const { unitType } = gatherSnapshot(db, jobId);
  const torque = unitType.steps.find(({ id }) => id === of)?.torque;
  if (!torque) throw new Refusal('bad-input', 'This step has no bolts with a value.');
  if (bolts.some((bolt) => bolt >= torque.bolts))
    throw new Refusal('bad-input', `This step has ${torque.bolts} bolts.`);
  if (!mayTickRound(torque, stage))
    throw new Refusal('bad-input', 'In this round each bolt is ticked alone, with the wrench on it.');
}

/** A part that is worked on goes in only once it was measured within, or its ticket was dropped; a new one once it is the right one. */
export function refuseStillWorkedOn(
  { db }: Context,
  jobId: string,
  { of }: Extract<RecordContent, { what: 'refitted' }>,
): void {
  const snapshot = gatherSnapshot(db, jobId);
  const step = rebuildPlan(snapshot).find(({ id }) => id === of);
  const held = heldByRework(
    reworkTickets(snapshot),
    (step?.positions ?? []).map(({ id }) => id),
  );
  const notFit = heldNewParts(snapshot).filter(({ positionId }) =>
    step?.positions.some(({ id }) => id === positionId),
  );
  if (notFit.length > 0)
    throw new Refusal(
      'conflict',
      `${notFit.map(({ name, words }) => `${name}: ${words}`).join('; ')}. It doesn’t go in.`,
    );
  if (held.length === 0) return;
  const names = held.map(({ position }) => position.name).join(', ');
  throw new Refusal('conflict', `${names}: still worked on. It goes in only once it was measured within.`);
}
