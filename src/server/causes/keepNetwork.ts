import * as v from 'valibot';
import { diagnoseOnPlaces } from '@/core/causes/diagnosePlaced';
import { gatherEvidence } from '@/core/causes/evidence/gathered';
import { heardAt } from '@/core/causes/evidence/heardAt';
import { networkFaults } from '@/core/causes/networkFaults';
import { placeNetwork, unplaced } from '@/core/causes/placeNetwork';
import { partStates } from '@/core/wear/partStates';
import { insertCatalog, newestBefore } from '@/db/catalogs';
import { listConcludedJobs } from '@/db/causes';
import { logChange } from '@/db/changeLog';
import { findCause } from '@/db/judgements';
import { type Db, inTransaction } from '@/db/open';
import { nextShopRevision, SHOP_REVISIONS_FROM } from '@/model/catalogs';
import { type CauseNetwork, CauseNodeSchema } from '@/model/causeNetwork';
import { words } from '@/model/ids';
import { newestDocument } from '../catalogs/catalogsInForce';
import { instant } from '../context';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

const nodes = v.pipe(v.array(CauseNodeSchema), v.minLength(1, 'no node is left'), v.maxLength(2000));
/** So many of the newest conclusions are ranked again. */
const TRIED_JOBS = 20;

/** The causal network that the shop goes by. */
export const readNetwork = defineUseCase('network.keep', v.undefined(), (_actor, { db }) => {
  const document = newestDocument(db, 'cause-network');
  const shipped = newestBefore(db, 'cause-network', SHOP_REVISIONS_FROM);
  return {
    document,
    newerShipped: document.basedOn !== undefined && document.basedOn < shipped ? shipped : null,
  };
});

export interface RankedAgain {
  readonly peg: number;
  readonly today: string;
  readonly onTrial: string;
  readonly concluded: readonly string[];
}

/** What a changed network would put first in the jobs that were concluded last. Nothing is stored. */
export const tryNetwork = defineUseCase('network.keep', v.object({ nodes }), (_actor, { db }, input) => {
  const today = newestDocument(db, 'cause-network');
  const trial = { ...today, nodes: input.nodes };
  refuseFaulty(db, trial);
  const jobs = listConcludedJobs(db, TRIED_JOBS);
  return {
    jobs: jobs.length,
    changed: jobs.flatMap((jobId): RankedAgain[] => {
      const [before, after] = [firstOf(db, jobId, today), firstOf(db, jobId, trial)];
      if (before === after) return [];
      const { job, cause } = gatherSnapshot(db, jobId);
      return [{ peg: job.peg, today: before, onTrial: after, concluded: cause?.conclusion?.roots ?? [] }];
    }),
  };
});

function firstOf(db: Db, jobId: string, network: CauseNetwork): string {
  const snapshot = gatherSnapshot(db, jobId);
  const placed = placeNetwork(network, snapshot.unitType, {}, heardAt(snapshot));
  const { findings, soft } = gatherEvidence(snapshot, partStates(snapshot), network, placed);
  const told = diagnoseOnPlaces(placed, { findings, soft, top: 1, rankOnly: true });
  return told.causes[0]?.id ?? '';
}

const KeepSchema = v.object({ basedOnRevision: v.number(), nodes, note: words(300, 1) });

/** Stores the network as the shop's next revision. Conclusions keep the revision, the rates and the evidence that they were made with. */
export const keepNetwork = defineUseCase('network.keep', KeepSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { db } = context;
    const before = newestDocument(db, 'cause-network');
    if (before.revision !== input.basedOnRevision)
      throw new Refusal(
        'stale',
        `Somebody made revision ${before.revision} meanwhile. Nothing was overwritten; your changes are still here.`,
        { theirs: { revision: before.revision } },
      );
    const next: CauseNetwork = {
      ...before,
      revision: nextShopRevision(before.revision),
      basedOn: before.basedOn ?? before.revision,
      nodes: input.nodes,
    };
    refuseFaulty(db, next);
    if (JSON.stringify(before.nodes) === JSON.stringify(next.nodes))
      throw new Refusal('bad-input', 'Nothing is different from the last revision.');
    const at = instant(context);
    insertCatalog(db, 'cause-network', next, at);
    logChange(db, {
      ...{ at, by: actor.id, jobId: null, topic: 'cause-network', subject: String(next.revision) },
      before: { revision: before.revision },
      after: { revision: next.revision, note: input.note },
    });
    return { revision: next.revision };
  }),
);

function refuseFaulty(db: Db, network: CauseNetwork): void {
  const faults = networkFaults(network);
  if (faults[0]) throw new Refusal('bad-input', faults[0].message, { faults });
  const known = new Set(network.nodes.map(({ id }) => id));
  for (const jobId of listConcludedJobs(db, 1000)) {
    const named = findCause(db, jobId)?.conclusion?.roots ?? [];
    const lost = named.find((id) => !known.has(unplaced(id).node));
    if (lost !== undefined)
      throw new Refusal(
        'bad-input',
        `A job was concluded with “${unplaced(lost).node}”; it can’t be left out.`,
        {
          faults: [{ path: 'nodes', message: 'a conclusion names it' }],
        },
      );
  }
}
