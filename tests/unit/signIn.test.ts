import { randomUUID } from 'node:crypto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { insertPerson } from '@/db/people';
import { addFirstAdministrator, addPerson, setActive } from '@/server/shop/people';
import { hashSecret, secretMatches } from '@/server/sign-in/secrets';
import { findActor, signIn, signOut, switchPerson } from '@/server/sign-in/signIn';
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
