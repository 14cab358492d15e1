import { unplaced } from '@/core/causes/placeNetwork';
import { readCatalog } from '@/db/catalogs';
import { findCause, putCause } from '@/db/judgements';
import type { Conclusion } from '@/model/conclusion';
import { CauseCaptureSchema } from '@/model/job';
import type { Context } from '../context';
import { openJob, positionOf } from '../job/openJob';
import { Refusal } from '../refusal';
import { keepVersioned } from '../strip/keepVersioned';
import { defineUseCase } from '../useCase';

/** The inspector's own conclusion: for colleagues, in plain words for the customer, and how sure it is. */
export const noteCause = defineUseCase('cause.note', CauseCaptureSchema, (actor, context, capture) =>
  keepVersioned(actor, context, 'cause', capture, (note) => {
    const { unitType } = openJob(context.db, note.jobId);
    if (note.firstFailure !== undefined) positionOf(unitType, note.firstFailure);
    const { version, words, plainWords, sureness, firstFailure = null, conclusion = null } = note;
    refuseUnknownCauses(context, conclusion);
    return {
      ...{ subject: note.jobId, before: findCause(context.db, note.jobId) },
      put: (stamp) =>
        putCause(context.db, { ...stamp, version, words, plainWords, sureness, firstFailure, conclusion }),
    };
  }),
);

/** Causes are named by the network that they were ranked by. */
function refuseUnknownCauses({ db }: Context, conclusion: Conclusion | null): void {
  if (!conclusion) return;
  const network = readCatalog(db, 'cause-network', conclusion.networkRevision);
  if (!network)
    throw new Refusal('bad-input', `There is no revision ${conclusion.networkRevision} of the causes.`, {
      faults: [{ path: 'conclusion.networkRevision', message: 'unknown revision' }],
    });
  const known = new Set(network.nodes.flatMap(({ id, kind }) => (kind === 'root' ? [id] : [])));
  const unknown = conclusion.roots.find((id) => !known.has(unplaced(id).node));
  if (unknown !== undefined)
    throw new Refusal('bad-input', `The network has no root cause “${unknown}”.`, {
      faults: [{ path: 'conclusion.roots', message: 'unknown cause' }],
    });
}
