import { rebuildPlan } from '@/core/rebuild/rebuildPlan';
import { heldByRework, reworkTickets } from '@/core/rebuild/reworkTickets';
import type { RecordContent } from '@/model/recordKinds';
import type { Context } from '../context';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';

/** A part that is worked on goes in only once it was measured within, or its ticket was dropped. */
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
  if (held.length === 0) return;
  const names = held.map(({ position }) => position.name).join(', ');
  throw new Refusal('conflict', `${names}: still worked on. It goes in only once it was measured within.`);
}
