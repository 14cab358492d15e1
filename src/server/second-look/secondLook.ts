import * as v from 'valibot';
import { gradersAgreement } from '@/core/agreement/gradersAgreement';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { findLook, gradedBy, insertLook, listCandidates, listLooks, settleLook } from '@/db/secondLooks';
import { type BlindPart, SecondLookSchema, SettleLookSchema } from '@/model/secondLook';
import { type Context, instant } from '../context';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { blindPart } from './blindPart';

/** How many are looked at ahead, for the count that is shown. */
const AHEAD = 50;

/** What waits for a second pair of eyes, and how far those agree who have looked: never a grade of what is still to be looked at. */
export const readSecondLooks = defineUseCase('grade.second', v.undefined(), (actor, context) => {
  const waiting = listCandidates(context.db, actor.id, AHEAD);
  const looks = listLooks(context.db);
  return {
    waiting: waiting.length,
    next: nextBlind(context, waiting),
    open: looks.filter(({ settled }) => !settled),
    agreement: gradersAgreement(
      looks.map(({ first }) => first.grade),
      looks.map(({ second }) => second.grade),
    ),
    looks: looks.length,
  };
});

function nextBlind(
  context: Context,
  waiting: ReturnType<typeof listCandidates>,
): (BlindPart & { readonly version: number }) | undefined {
  for (const { job_id: jobId, position_id: positionId, version } of waiting) {
    const blind = blindPart(context, jobId, positionId);
    if (blind) return { ...blind, version };
  }
  return undefined;
}

/** Puts down the second grade. Only now the first one is told. */
export const takeSecondLook = defineUseCase('grade.second', SecondLookSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { db } = context;
    const snapshot = gatherSnapshot(db, input.jobId);
    const position = snapshot.unitType.positions.find(({ id }) => id === input.positionId);
    const first = snapshot.grades.find(({ positionId }) => positionId === input.positionId);
    if (!position || !first) throw new Refusal('not-found', 'This part is not graded.');
    const firstBy = gradedBy(db, input.jobId, input.positionId)!;
    if (firstBy === actor.id)
      throw new Refusal('bad-input', 'You graded it first; the second look is somebody else’s.', {
        faults: [{ path: 'positionId', message: 'the first grader can’t look a second time' }],
      });
    if (first.version !== input.version)
      throw new Refusal('stale', 'It was graded anew meanwhile. Look at it again as it is now.', {
        theirs: { version: first.version },
      });
    const id = context.newId();
    const at = instant(context);
    const look = {
      ...{ id, jobId: input.jobId, positionId: position.id, family: position.family, at },
      ...{ partName: position.name, firstGrade: first.grade, firstReason: first.reason },
      ...{ firstBy, firstVersion: first.version, grade: input.grade, by: actor.id },
    };
    if (!insertLook(db, look))
      throw new Refusal('stale', 'Somebody has looked at it a second time already.', { theirs: {} });
    // Where both say the same there is nothing to settle.
    const agreed = first.grade === input.grade;
    if (agreed) settleLook(db, { id, grade: input.grade, note: '', by: actor.id, at });
    logChange(db, { at, by: actor.id, jobId: null, topic: 'second-look', subject: id, after: input });
    return { lookId: id, first: { grade: first.grade, by: first.by, reason: first.reason }, agreed };
  }),
);

/** What the shop says of a part that two people graded differently, with why: from then on people learn by it. */
export const settleSecondLook = defineUseCase('grade.second', SettleLookSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const look = findLook(context.db, input.lookId);
    if (!look) throw new Refusal('not-found', 'There is no such second look.');
    const at = instant(context);
    if (!settleLook(context.db, { ...input, id: look.id, by: actor.id, at }))
      throw new Refusal('stale', 'It was settled meanwhile.', { theirs: look.settled });
    logChange(context.db, {
      ...{ at, by: actor.id, jobId: null, topic: 'second-look', subject: look.id },
      after: { grade: input.grade, note: input.note },
    });
    return { lookId: look.id };
  }),
);
