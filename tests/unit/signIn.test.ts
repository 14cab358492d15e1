import { randomUUID } from 'node:crypto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { insertPerson } from '@/db/people';
import { addFirstAdministrator, addPerson, setActive } from '@/server/shop/people';
import { hashSecret, secretMatches } from '@/server/sign-in/secrets';
import { callerOf, findActor, markDevice, signIn, signOut, switchPerson } from '@/server/sign-in/signIn';
import { openTestShop, type TestShop } from './fixtures/shop';

let shop: TestShop;
beforeEach(() => {
  shop = openTestShop();
});
afterEach(() => shop.close());

const PASSWORD = 'under the third bench';
/** Hashes of the shop's own cost are looked at once; the rules of the door are the same with quick ones. */
const QUICK = { N: 2 ** 10, r: 8, p: 1, maxmem: 2 ** 25 };
async function hire(name: string, pin?: string): Promise<{ id: string }> {
  const id = randomUUID();
  insertPerson(shop.context.db, {
    ...{ id, name, role: 'inspector', isDemo: false, createdAt: '2026-11-24T09:00:00.000Z' },
    passwordHash: await hashSecret(PASSWORD, QUICK),
    pinHash: pin ? await hashSecret(pin, QUICK) : null,
  });
  return { id };
}

describe('a secret', () => {
  it('is kept as a salted, memory-hard hash', async () => {
    const [first, second] = [await hashSecret(PASSWORD), await hashSecret(PASSWORD)];
    expect(first).toMatch(/^scrypt\$131072\$8\$1\$/);
    expect(first).not.toBe(second);
    expect(await secretMatches(PASSWORD, first)).toBe(true);
    expect(await secretMatches(`${PASSWORD} `, first)).toBe(false);
  });
});

describe('signing in', () => {
  it('opens a session that ends when it is closed, and after its time', async () => {
    await hire('Alma');
    const { token, actor } = await signIn(shop.context, { name: 'alma', password: PASSWORD });
    expect(findActor(shop.context, token)).toEqual({ ...actor, readsIn: 'metric' });
    shop.setTime('2026-11-25T09:00:00.000Z');
    expect(findActor(shop.context, token)).toBeUndefined();
    shop.setTime('2026-11-24T09:00:00.000Z');
    signOut(shop.context, token);
    expect(findActor(shop.context, token)).toBeUndefined();
  });

  it('slows down after five wrong passwords, even for the right one', async () => {
    await hire('Bodil');
    for (let wrong = 0; wrong < 5; wrong += 1) {
      await expect(signIn(shop.context, { name: 'Bodil', password: 'no' })).rejects.toMatchObject({
        code: 'wrong-sign-in',
        status: 401,
      });
    }
    await expect(signIn(shop.context, { name: 'Bodil', password: PASSWORD })).rejects.toMatchObject({
      code: 'slow-down',
      status: 429,
    });
  });

  it('lets nobody past the lock by asking in parallel: tries are counted before they are worked on', async () => {
    await hire('Hild');
    const asked = Array.from({ length: 40 }, (_, index) =>
      signIn(shop.context, { name: 'Hild', password: `guess ${index}` }, { address: '10.0.0.9' }).catch(
        (error: { code: string }) => error.code,
      ),
    );
    const codes = await Promise.all(asked);
    // One at a time for one who asks: the others are refused before any hash is worked out.
    expect(codes.filter((code) => code === 'wrong-sign-in')).toHaveLength(1);
    expect(codes.filter((code) => code === 'slow-down')).toHaveLength(39);
  });

  it('gives a stranger his own budget: a colleague on a device that is known here isn’t locked out', async () => {
    await hire('Inga');
    const stranger = { address: '10.0.0.66' };
    const wrong = () =>
      signIn(shop.context, { name: 'Inga', password: 'no' }, stranger).catch(() => undefined);
    for (let tries = 0; tries < 8; tries += 1) await wrong();
    await expect(signIn(shop.context, { name: 'Inga', password: PASSWORD }, stranger)).rejects.toMatchObject({
      code: 'slow-down',
    });
    const mark = markDevice(shop.context, undefined);
    const known = callerOf(shop.context, mark, stranger.address);
    expect(known.device).toBeDefined();
    expect(callerOf(shop.context, 'made up', stranger.address)).toEqual(stranger);
    expect((await signIn(shop.context, { name: 'Inga', password: PASSWORD }, known)).actor.name).toBe('Inga');
    // A device keeps its mark.
    expect(markDevice(shop.context, mark)).toBe(mark);
  });

  it('does not tell a wrong name from a wrong password', async () => {
    await hire('Cato');
    const [noName, noPassword] = await Promise.all(
      ['Nobody', 'Cato'].map((name) =>
        signIn(shop.context, { name, password: 'no' }).catch((error: Error) => error.message),
      ),
    );
    expect(noName).toBe(noPassword);
  });

  it('hands a tablet over by PIN and closes the door of who left the shop', async () => {
    const { id } = await hire('Dagny', '2468');
    await expect(
      switchPerson(shop.people.inspector, shop.context, { personId: id, pin: '0000' }),
    ).rejects.toMatchObject({ code: 'wrong-sign-in' });
    const { token } = await switchPerson(shop.people.inspector, shop.context, { personId: id, pin: '2468' });
    expect(findActor(shop.context, token)?.name).toBe('Dagny');
    setActive(shop.people.admin, shop.context, { personId: id, active: false });
    expect(findActor(shop.context, token)).toBeUndefined();
    await expect(signIn(shop.context, { name: 'Dagny', password: PASSWORD })).rejects.toMatchObject({
      code: 'wrong-sign-in',
    });
  });

  it('closes a PIN after five wrong tries in a row, until its owner gives the password', async () => {
    const { id } = await hire('Jorun', '2468');
    // From five tablets at once, each with somebody else signed in.
    const { inspector, lead, parts, assembler, apprentice, admin } = shop.people;
    const tries = [inspector, lead, parts, assembler, apprentice, admin].map((actor) =>
      switchPerson(actor, shop.context, { personId: id, pin: '1111' }).catch(
        (error: { message: string }) => error.message,
      ),
    );
    const told = await Promise.all(tries);
    expect(told.filter((words) => String(words).includes('not right'))).toHaveLength(5);
    expect(told.filter((words) => String(words).includes('This PIN is closed'))).toHaveLength(1);
    await expect(switchPerson(lead, shop.context, { personId: id, pin: '2468' })).rejects.toMatchObject({
      message: expect.stringContaining('Sign in with the password'),
    });
    await signIn(shop.context, { name: 'Jorun', password: PASSWORD });
    expect((await switchPerson(lead, shop.context, { personId: id, pin: '2468' })).actor.name).toBe('Jorun');
  });

  it('ends the session of who hands over, and sweeps those that ran out', async () => {
    const { id } = await hire('Kari', '2468');
    await hire('Liv');
    const { token } = await signIn(shop.context, { name: 'Liv', password: PASSWORD });
    const actor = findActor(shop.context, token)!;
    await switchPerson(actor, shop.context, { personId: id, pin: '2468', token });
    expect(findActor(shop.context, token)).toBeUndefined();
    const sessions = () =>
      (shop.context.db.prepare('SELECT count(*) AS n FROM sessions').get() as { n: number }).n;
    expect(sessions()).toBe(1);
    shop.setTime('2026-11-26T09:00:00.000Z');
    await signIn(shop.context, { name: 'Liv', password: PASSWORD });
    expect(sessions()).toBe(1);
  });

  it('makes the first administrator of an empty shop, and no second one', async () => {
    const input = { name: 'Frida', password: PASSWORD };
    await expect(addFirstAdministrator(shop.context, input)).rejects.toMatchObject({ code: 'no-right' });
    shop.context.db.exec('DELETE FROM people');
    await addFirstAdministrator(shop.context, input);
    expect((await signIn(shop.context, input)).actor).toMatchObject({ name: 'Frida', role: 'admin' });
  });

  it('asks for a password worth the name', async () => {
    await expect(async () =>
      addPerson(shop.people.admin, shop.context, { name: 'Eir', role: 'lead', password: 'short' }),
    ).rejects.toMatchObject({ code: 'bad-input' });
    const added = { name: 'Eir', role: 'lead', password: PASSWORD, pin: '1357' } as const;
    const { id } = await addPerson(shop.people.admin, shop.context, added);
    expect((await signIn(shop.context, added)).actor).toEqual({ id, name: 'Eir', role: 'lead' });
    await expect(addPerson(shop.people.admin, shop.context, { ...added, name: 'The lead' })).rejects.toThrow(
      'There is a The lead already',
    );
  });
});
