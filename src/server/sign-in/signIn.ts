import {
  deleteSession,
  findActorBySession,
  findPerson,
  findPersonByName,
  insertSession,
  listPeople,
  type PersonSecrets,
} from '@/db/people';
import { readShop } from '@/db/shop';
import type { Actor } from '@/model/people';
import { SignInSchema, SwitchPersonSchema } from '@/model/people';
import { type Context, instant } from '../context';
import { Refusal } from '../refusal';
import { defineUseCase, parseInput } from '../useCase';
import { hashSecret, hashToken, newToken, secretMatches } from './secrets';
import { countFailure, forgetFailures, refuseWhenTooMany } from './slowDown';

const SESSION_HOURS = 14;

export interface SignedIn {
  readonly actor: Actor;
  readonly token: string;
  readonly expiresAt: string;
}

/** The one use case without an actor: it makes one, from a name and a password. */
export async function signIn(context: Context, input: unknown): Promise<SignedIn> {
  const { name, password } = parseInput(SignInSchema, input);
  const key = `password:${name.toLowerCase()}`;
  await refuseWhenTooMany(key);
  const person = findPersonByName(context.db, name);
  const matches = await checkSecret(password, person?.active ? person.passwordHash : undefined);
  if (!person || !matches) {
    await countFailure(key);
    throw new Refusal('wrong-sign-in', 'Name and password do not go together.');
  }
  await forgetFailures(key);
  return openSession(context, person);
}

let decoy: Promise<string> | undefined;

/** An unknown name costs as much time as a wrong password, so that names can't be fished for. */
async function checkSecret(secret: string, stored: string | undefined): Promise<boolean> {
  if (stored !== undefined) return secretMatches(secret, stored);
  decoy ??= hashSecret('nobody');
  await secretMatches(secret, await decoy);
  return false;
}

function openSession(context: Context, { id, name, role }: PersonSecrets): SignedIn {
  const token = newToken();
  const now = context.now();
  const expiresAt = new Date(now.getTime() + SESSION_HOURS * 3_600_000).toISOString();
  insertSession(context.db, {
    tokenHash: hashToken(token),
    personId: id,
    createdAt: now.toISOString(),
    expiresAt,
  });
  return { actor: { id, name, role }, token, expiresAt };
}

/** On a shared tablet somebody signed in hands over to a colleague, who shows who he is by PIN. */
export const switchPerson = defineUseCase(
  'session.own',
  SwitchPersonSchema,
  async (actor, context, { personId, pin }): Promise<SignedIn> => {
    const key = `pin:${personId}`;
    await refuseWhenTooMany(key);
    const person = findPerson(context.db, personId);
    const matches = await checkSecret(pin, person?.active ? (person.pinHash ?? undefined) : undefined);
    if (!person || !matches) {
      await countFailure(key);
      throw new Refusal('wrong-sign-in', `That PIN is not right. ${actor.name} stays signed in.`);
    }
    await forgetFailures(key);
    return openSession(context, person);
  },
);

export const signOut = (context: Context, token: string): void => deleteSession(context.db, hashToken(token));

export const findActor = (context: Context, token: string | undefined): Actor | undefined =>
  token ? findActorBySession(context.db, hashToken(token), instant(context)) : undefined;

/** Colleagues that a tablet may be handed to. */
export const colleaguesWithPin = (context: Context, actor: Actor): { id: string; name: string }[] =>
  listPeople(context.db)
    .filter((person) => person.active && person.hasPin && person.id !== actor.id)
    .map(({ id, name }) => ({ id, name }));

/** Every demo person's password. Only people that the seeder made and marked as demo ever have it. */
export const DEMO_PASSWORD = 'scribed-in-blue';

/** What stands at the door: the shop's name and, in a demonstration only, its people to choose from. */
export function door(context: Context): {
  shop: string;
  demoPeople: { name: string; role: string }[];
  demoPassword?: string;
} {
  const demoPeople = listPeople(context.db).filter((person) => person.isDemo && person.active);
  return {
    shop: readShop(context.db).name,
    demoPeople: demoPeople.map(({ name, role }) => ({ name, role })),
    ...(demoPeople.length > 0 ? { demoPassword: DEMO_PASSWORD } : {}),
  };
}
