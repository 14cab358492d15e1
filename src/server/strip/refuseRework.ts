import { heldNewParts } from '@/core/rebuild/newParts';
import { rebuildPlan } from '@/core/rebuild/rebuildPlan';
import { heldByRework, reworkTickets } from '@/core/rebuild/reworkTickets';
import type { RecordContent } from '@/model/recordKinds';
import type { Context } from '../context';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';

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
