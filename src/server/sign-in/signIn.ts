import * as v from 'valibot';
import {
  countPinTry,
  deleteExpiredSessions,
  deleteSession,
  findActorBySession,
  findPerson,
  findPersonByName,
  forgetPinTries,
  insertSession,
  isKnownDevice,
  keepKnownDevice,
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
import { type Caller, tryDoor } from './tries';

const SESSION_HOURS = 14;

export interface SignedIn {
  readonly actor: Actor;
  readonly token: string;
  readonly expiresAt: string;
}

/** The one use case without an actor: it makes one, from a name and a password. Whoever gives his password opens his PIN again. */
export async function signIn(
  context: Context,
  input: unknown,
  caller: Caller = NOBODY_KNOWN,
): Promise<SignedIn> {
  const { name, password } = parseInput(SignInSchema, input);
  const person = await tryDoor(`password of ${name.toLowerCase()}`, caller, async () => {
    const found = findPersonByName(context.db, name);
    const matches = await checkSecret(password, found?.active ? found.passwordHash : undefined);
    return matches ? found : undefined;
  });
  if (!person) throw new Refusal('wrong-sign-in', 'Name and password do not go together.');
  forgetPinTries(context.db, person.id);
  return openSession(context, person);
}

/** On the command line and in tests: nobody's device, from here. */
const NOBODY_KNOWN: Caller = { address: 'here' };

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
  deleteExpiredSessions(context.db, now.toISOString());
  insertSession(context.db, {
    tokenHash: hashToken(token),
    personId: id,
    createdAt: now.toISOString(),
    expiresAt,
  });
  return { actor: { id, name, role }, token, expiresAt };
}

/** After so many wrong PINs in a row it stays closed: four figures are soon tried out. */
const MOST_PIN_TRIES = 5;

const SwitchSchema = v.object({ ...SwitchPersonSchema.entries, token: v.optional(v.string()) });

/**
 * On a shared tablet somebody signed in hands over to a colleague, who shows who he is by PIN. The session of who hands over ends
 * with it.
 */
export const switchPerson = defineUseCase(
  'session.own',
  SwitchSchema,
  async (actor, context, { personId, pin, token }): Promise<SignedIn> => {
    const caller = { device: `session of ${actor.id}`, address: 'here' };
    const person = await tryDoor(`pin of ${personId}`, caller, async () => {
      // Counted before it is looked at, and in the database: neither asking in parallel nor a restart gives more of them.
      if (countPinTry(context.db, personId) > MOST_PIN_TRIES)
        throw new Refusal(
          'slow-down',
          'This PIN is closed after too many wrong tries. Sign in with the password.',
        );
      const found = findPerson(context.db, personId);
      const matches = await checkSecret(pin, found?.active ? (found.pinHash ?? undefined) : undefined);
      return matches ? found : undefined;
    });
    if (!person) throw new Refusal('wrong-sign-in', `That PIN is not right. ${actor.name} stays signed in.`);
    forgetPinTries(context.db, personId);
    if (token !== undefined) signOut(context, token);
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

/** The mark of a device on which somebody has signed in; a new one where it has none yet. */
export function markDevice(context: Context, token: string | undefined): string {
  const mark = token !== undefined && isKnownDevice(context.db, hashToken(token)) ? token : newToken();
  keepKnownDevice(context.db, hashToken(mark), instant(context));
  return mark;
}

/** Who asks at the door: by the mark of his device, if it is known here, else by his address. */
export function callerOf(context: Context, token: string | undefined, address: string): Caller {
  const hash = token === undefined ? undefined : hashToken(token);
  return hash !== undefined && isKnownDevice(context.db, hash) ? { device: hash, address } : { address };
}
