import * as v from 'valibot';
import { insertCatalog } from '@/db/catalogs';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { nextShopRevision } from '@/model/catalogs';
import { FamilySchema } from '@/model/damage';
import { IdSchema, words } from '@/model/ids';
import { newestDocument } from '../catalogs/catalogsInForce';
import { instant } from '../context';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

/** The damage words with the shop's own beside them. */
export const readWords = defineUseCase('words.keep', v.undefined(), (_actor, { db }) => ({
  document: newestDocument(db, 'damage-words'),
}));

const KeepSchema = v.object({
  basedOnRevision: v.number(),
  own: v.pipe(v.array(v.object({ family: FamilySchema, mode: IdSchema, word: words(60) })), v.maxLength(600)),
});

/** Stores the shop's own words as the next revision; the standard's terms stay as they are, whatever stands beside them. */
export const keepWords = defineUseCase('words.keep', KeepSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const before = newestDocument(context.db, 'damage-words');
    if (before.revision !== input.basedOnRevision)
      throw new Refusal(
        'stale',
        `Somebody made revision ${before.revision} meanwhile. Nothing was overwritten; your words are still here.`,
        { theirs: { revision: before.revision } },
      );
    const own = new Map(input.own.map(({ family, mode, word }) => [`${family} ${mode}`, word]));
    const families = before.families.map((each) => ({
      ...each,
      modes: each.modes.map(({ own: was = '', ...mode }) => {
        const key = `${each.family} ${mode.id}`;
        const word = own.get(key) ?? was;
        own.delete(key);
        return word === '' ? mode : { ...mode, own: word };
      }),
    }));
    const [unknown] = own.keys();
    if (unknown !== undefined)
      throw new Refusal(
        'bad-input',
        `There is no damage word “${unknown.split(' ')[1]}” for this kind of part.`,
      );
    if (JSON.stringify(families) === JSON.stringify(before.families))
      throw new Refusal('bad-input', 'Nothing is different from the last revision.');
    const revision = nextShopRevision(before.revision);
    const next = { ...before, revision, basedOn: before.basedOn ?? before.revision, families };
    const at = instant(context);
    insertCatalog(context.db, 'damage-words', next, at);
    logChange(context.db, {
      ...{ at, by: actor.id, jobId: null, topic: 'damage-words', subject: String(revision) },
      before: { revision: before.revision },
      after: { revision, own: input.own.filter(({ word }) => word !== '') },
    });
    return { revision };
  }),
);
