import * as v from 'valibot';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { readShims, writeShims } from '@/db/shop';
import { newestRevision } from '@/db/unitTypes';
import { IdSchema, words } from '@/model/ids';
import { instant } from '../context';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

const PiecesSchema = v.pipe(
  v.array(
    v.object({
      thickness: v.pipe(
        v.number('a thickness is needed'),
        v.gtValue(0, 'must be greater than 0'),
        v.maxValue(50, 'at most 50 mm'),
      ),
      count: v.pipe(
        v.number('a count is needed'),
        v.integer('a whole number is needed'),
        v.minValue(1, 'at least one'),
        v.maxValue(200, 'at most 200'),
      ),
    }),
  ),
  v.maxLength(120, 'at most 120 sizes'),
  v.check(
    (pieces) => new Set(pieces.map(({ thickness }) => thickness)).size === pieces.length,
    'a thickness stands twice',
  ),
);

const ShimsSchema = v.object({
  unitTypeId: IdSchema,
  drawer: words(60, 1),
  pieces: PiecesSchema,
  /** What the drawer held when the change was begun: another’s change is never overwritten unseen. */
  before: PiecesSchema,
});

/** What lies in a drawer of measured shims, as somebody counted it. */
export const keepShims = defineUseCase('rebuild.do', ShimsSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { unitTypeId, drawer, pieces, before } = input;
    if (newestRevision(context.db, unitTypeId) === 0)
      throw new Refusal('not-found', 'There is no such type of unit.');
    const theirs = readShims(context.db, unitTypeId).find((each) => each.drawer === drawer)?.pieces ?? [];
    if (JSON.stringify(theirs) !== JSON.stringify(before))
      throw new Refusal(
        'stale',
        'Somebody counted this drawer meanwhile. Nothing was overwritten; look again.',
        {
          theirs,
        },
      );
    writeShims(context.db, unitTypeId, { drawer, pieces });
    logChange(context.db, {
      ...{ at: instant(context), by: actor.id, jobId: null, topic: 'shims on hand' },
      ...{ subject: `${unitTypeId} ${drawer}`, before: theirs, after: pieces },
    });
    return { pieces };
  }),
);
