import * as v from 'valibot';
import { rulesFaults } from '@/core/wear/rulesFaults';
import { rulesTrial } from '@/core/wear/rulesTrial';
import { insertCatalog, newestBefore } from '@/db/catalogs';
import { logChange } from '@/db/changeLog';
import { listNewestJobIds } from '@/db/jobs';
import { type Db, inTransaction } from '@/db/open';
import { nextShopRevision, SHOP_REVISIONS_FROM } from '@/model/catalogs';
import { type GradeRule, GradeRuleSchema, type GradeRules } from '@/model/gradeRule';
import { words } from '@/model/ids';
import type { JobSnapshot } from '@/model/snapshot';
import { newestDocument } from '../catalogs/catalogsInForce';
import { instant } from '../context';
import { gatherSnapshot } from '../job/readSnapshot';
import { log } from '../log';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

/** So many of the newest jobs are tried. */
const TRIED_JOBS = 60;

const rules = v.pipe(v.array(GradeRuleSchema), v.minLength(1, 'no rule is left'), v.maxLength(300));

/** The rules that new jobs are graded by, and how often each has held on the shop's newest jobs. */
export const readRules = defineUseCase('rules.keep', v.undefined(), (_actor, { db }) => {
  const document = newestDocument(db, 'grade-rules');
  const shipped = newestBefore(db, 'grade-rules', SHOP_REVISIONS_FROM);
  return {
    document,
    words: newestDocument(db, 'damage-words'),
    trial: rulesTrial(newestJobs(db), document, document),
    /** A shipped revision that came after the one that the shop's own began with. */
    newerShipped: document.basedOn !== undefined && document.basedOn < shipped ? shipped : null,
  };
});

/** What changed rules would have proposed on the shop's newest jobs. Nothing is stored. */
export const tryRules = defineUseCase('rules.keep', v.object({ rules }), (_actor, { db }, input) => {
  const today = newestDocument(db, 'grade-rules');
  refuseFaulty(db, input.rules);
  return rulesTrial(newestJobs(db), today, { ...today, rules: input.rules });
});

const KeepSchema = v.object({ basedOnRevision: v.number(), rules, note: words(300, 1) });

/** Stores the rules as the shop's next revision. Jobs go over to it on a person's word; what was graded stays as it was graded. */
export const keepRules = defineUseCase('rules.keep', KeepSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { db } = context;
    const before = newestDocument(db, 'grade-rules');
    if (before.revision !== input.basedOnRevision)
      throw new Refusal(
        'stale',
        `Somebody made revision ${before.revision} meanwhile. Nothing was overwritten; your changes are still here.`,
        { theirs: { revision: before.revision } },
      );
    refuseFaulty(db, input.rules);
    if (JSON.stringify(before.rules) === JSON.stringify(input.rules))
      throw new Refusal('bad-input', 'Nothing is different from the last revision.');
    const next: GradeRules = {
      ...before,
      revision: nextShopRevision(before.revision),
      basedOn: before.basedOn ?? before.revision,
      rules: input.rules,
    };
    const at = instant(context);
    insertCatalog(db, 'grade-rules', next, at);
    logChange(db, {
      ...{ at, by: actor.id, jobId: null, topic: 'grade-rules', subject: String(next.revision) },
      before: { revision: before.revision },
      after: { revision: next.revision, note: input.note },
    });
    return { revision: next.revision };
  }),
);

function refuseFaulty(db: Db, list: readonly GradeRule[]): void {
  const faults = rulesFaults(list, { 'damage-words': newestDocument(db, 'damage-words') });
  if (faults[0]) throw new Refusal('bad-input', faults[0].message, { faults });
}

/** The newest jobs that can be read. */
const newestJobs = (db: Db): JobSnapshot[] =>
  listNewestJobIds(db, TRIED_JOBS).flatMap((jobId) => {
    try {
      return [gatherSnapshot(db, jobId)];
    } catch (error) {
      log.warn({ err: error, jobId }, 'a job can’t be read for the trial of rules');
      return [];
    }
  });
