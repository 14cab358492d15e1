import { v7 as uuidv7 } from 'uuid';
import { expect, it } from 'vitest';
import { openOwnShop } from '../browser/ownServer';
import seedOnce from '../browser/seedOnce';
import { Caller } from './caller';
import { picturesToSend, wrongIn } from './sent';

/** How long the devices send; a short run gives fewer. */
const SECONDS = Number(process.env.STEREOTOME_LOAD_S ?? 60);
const DEVICES = 20;
const PHOTOGRAPH_EVERY_S = 20;

it(`${DEVICES} devices at once, ${SECONDS} s: each reading and photograph is answered, and there once`, async () => {
  seedOnce();
  const shop = await openOwnShop('load');
  const caller = await Caller.signedIn(shop.url, 'Mirel Astrand');
  const pictures = await picturesToSend(DEVICES * Math.ceil(SECONDS / PHOTOGRAPH_EVERY_S) + DEVICES);
  const jobs: string[] = [];
  for (let at = 0; at < DEVICES; at += 1) jobs.push(await caller.bookIn(`device ${at}`));
  const sent = jobs.map((): { readings: string[]; photographs: string[] } => ({
    readings: [],
    photographs: [],
  }));
  const statuses = new Map<number, number>();
  const answered = (status: number) => statuses.set(status, (statuses.get(status) ?? 0) + 1);

  /** One device: a reading a second and a photograph every twenty, the next not before the last is answered. */
  const work = async (device: number) => {
    const began = performance.now();
    for (let second = 0; second < SECONDS; second += 1) {
      const due = began + second * 1000 + device * 50;
      await new Promise((resolve) => setTimeout(resolve, Math.max(0, due - performance.now())));
      const reading = uuidv7();
      sent[device]!.readings.push(reading);
      answered(await caller.reading(jobs[device]!, reading, '0.20'));
      if (second % PHOTOGRAPH_EVERY_S !== device % PHOTOGRAPH_EVERY_S) continue;
      const photograph = uuidv7();
      sent[device]!.photographs.push(photograph);
      const answer = await caller.photograph(jobs[device]!, photograph, ...pictures.next());
      await answer.arrayBuffer();
      answered(answer.status);
    }
  };
  await Promise.all(jobs.map((_, device) => work(device)));
  const wrong = await wrongIn(caller, jobs, sent);
  await shop.close();
  expect([...statuses.keys()].filter((status) => status !== 200 && status !== 201)).toEqual([]);
  expect(wrong).toBe(0);
  expect([...statuses.values()].reduce((sum, count) => sum + count, 0)).toBeGreaterThan(DEVICES * SECONDS);
});
