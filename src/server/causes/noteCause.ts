import { findCause, putCause } from '@/db/judgements';
import { CauseCaptureSchema } from '@/model/job';
import { openJob, positionOf } from '../job/openJob';
import { keepVersioned } from '../strip/keepVersioned';
import { defineUseCase } from '../useCase';

/** The inspector's own conclusion: for colleagues, in plain words for the customer, and how sure it is. */
export const noteCause = defineUseCase('cause.note', CauseCaptureSchema, (actor, context, capture) =>
  keepVersioned(actor, context, 'cause', capture, (note) => {
    const { unitType } = openJob(context.db, note.jobId);
    if (note.firstFailure !== undefined) positionOf(unitType, note.firstFailure);
    const { version, words, plainWords, sureness, firstFailure = null } = note;
    return {
      ...{ subject: note.jobId, before: findCause(context.db, note.jobId) },
      put: (stamp) => putCause(context.db, { ...stamp, version, words, plainWords, sureness, firstFailure }),
    };
  }),
);
