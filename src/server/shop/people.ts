import * as v from 'valibot';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { findPerson, findPersonByName, insertPerson, listPeople, setPersonActive } from '@/db/people';
import { IdSchema, words } from '@/model/ids';
import { NewPersonSchema, PasswordSchema, type Person } from '@/model/people';
import { type Context, instant } from '../context';
import { Refusal } from '../refusal';
import { hashSecret } from '../sign-in/secrets';
import { defineUseCase, parseInput } from '../useCase';

export const readPeople = defineUseCase('people.manage', v.undefined(), (_actor, { db }): Person[] =>
  listPeople(db).map(({ id, name, role, active, hasPin }) => ({ id, name, role, active, hasPin })),
);

export const addPerson = defineUseCase('people.manage', NewPersonSchema, async (actor, context, input) => {
  const nameTaken = () => {
    if (findPersonByName(context.db, input.name))
      throw new Refusal('bad-input', `There is a ${input.name} already.`, {
        faults: [{ path: 'name', message: 'taken' }],
      });
  };
  nameTaken();
  const passwordHash = await hashSecret(input.password);
  const pinHash = input.pin ? await hashSecret(input.pin) : null;
  const id = context.newId();
  return inTransaction(context.db, () => {
    nameTaken();
    insertPerson(context.db, {
      id,
      name: input.name,
      role: input.role,
      passwordHash,
      pinHash,
      isDemo: false,
      createdAt: instant(context),
    });
    logChange(context.db, {
      at: instant(context),
      by: actor.id,
      jobId: null,
      topic: 'person',
      subject: id,
      after: { name: input.name, role: input.role },
    });
    return { id };
  });
});

const FirstAdministratorSchema = v.object({ name: words(80, 1), password: PasswordSchema });

/**
 * The first person of an empty shop, made from its command line; whoever can write the shop's folder may do that.
 * Refused once anybody is there.
 */
export async function addFirstAdministrator(context: Context, input: unknown): Promise<{ id: string }> {
  const { name, password } = parseInput(FirstAdministratorSchema, input);
  if (listPeople(context.db).length > 0)
    throw new Refusal('no-right', 'This shop has people already. An administrator among them adds the next.');
  const passwordHash = await hashSecret(password);
  const id = context.newId();
  return inTransaction(context.db, () => {
    insertPerson(context.db, {
      id,
      name,
      role: 'admin',
      passwordHash,
      pinHash: null,
      isDemo: false,
      createdAt: instant(context),
    });
    logChange(context.db, {
      at: instant(context),
      by: id,
      jobId: null,
      topic: 'person',
      subject: id,
      after: { name, role: 'admin' },
    });
    return { id };
  });
}

export const setActive = defineUseCase(
  'people.manage',
  v.object({ personId: IdSchema, active: v.boolean() }),
  (actor, context, { personId, active }) => {
    if (personId === actor.id) throw new Refusal('bad-input', 'Nobody can close his own door.');
    return inTransaction(context.db, () => {
      const person = findPerson(context.db, personId);
      if (!person) throw new Refusal('not-found', 'No such person.');
      setPersonActive(context.db, personId, active);
      logChange(context.db, {
        at: instant(context),
        by: actor.id,
        jobId: null,
        topic: 'person',
        subject: personId,
        before: { active: person.active },
        after: { active },
      });
    });
  },
);
