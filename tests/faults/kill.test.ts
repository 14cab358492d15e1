import path from 'node:path';
import Database from 'better-sqlite3';
import { v7 as uuidv7 } from 'uuid';
import { expect, it } from 'vitest';
import { type OwnShop, openOwnShop, startOn } from '../browser/ownServer';
import seedOnce from '../browser/seedOnce';
import { Caller } from './caller';

/** How often the server is killed; a long run gives more. */
const KILLS = Number(process.env.STEREOTOME_KILLS ?? 20);
const WRITERS = 4;

it(`killed ${KILLS} times while ${WRITERS} devices write, it keeps every reading that it acknowledged, once`, async () => {
  seedOnce();
  let shop: OwnShop = await openOwnShop('kill');
  const caller = await Caller.signedIn(shop.url, 'Mirel Astrand');
  const job = await caller.bookIn('baler of the kills');
  const acknowledged = new Set<string>();
  for (let kill = 0; kill < KILLS; kill += 1) {
    let alive = true;
    const write = async () => {
      while (alive) {
        const id = uuidv7();
        const status = await caller.reading(job, id, (0.1 + Math.random() / 10).toFixed(2)).catch(() => 0);
        if (status === 201 || status === 200) acknowledged.add(id);
      }
    };
    const writers = Array.from({ length: WRITERS }, write);
    // Anywhere in the middle of a write: the moment is left to chance.
    await new Promise((resolve) => setTimeout(resolve, 150 + Math.random() * 600));
    await shop.kill();
    alive = false;
    await Promise.all(writers);
    shop = await startOn(shop.data);
    caller.at(shop.url);
    const held = await caller.readingIds(job);
    expect(new Set(held).size, `kill ${kill}: none twice`).toBe(held.length);
    expect(
      [...acknowledged].filter((id) => !held.includes(id)),
      `kill ${kill}: none lost`,
    ).toEqual([]);
  }
  await shop.close();
  expect(acknowledged.size).toBeGreaterThan(KILLS);
  const db = new Database(path.join(shop.data, 'shop.sqlite'), { readonly: true });
  expect(db.pragma('integrity_check', { simple: true })).toBe('ok');
  db.close();
});
