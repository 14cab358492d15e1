import { v7 as uuidv7 } from 'uuid';
import { drawerOf } from '@/core/rebuild/packs';
import { insertGauge } from '@/db/gauges';
import { insertPerson } from '@/db/people';
import { writeShop } from '@/db/shop';
import { newestRevision, readUnitType } from '@/db/unitTypes';
import type { Actor } from '@/model/people';
import type { Context } from '@/server/context';
import { openContext } from '@/server/instance';
import { keepShims } from '@/server/shop/shims';
import { hashSecret } from '@/server/sign-in/secrets';
import { DEMO_PASSWORD } from '@/server/sign-in/signIn';
import { demoJobs, demoShop, demoStudies } from './scenario/scenario';
import { seedJob } from './seedJob';
import { seedSecondLooks } from './seedSecondLooks';
import { seedStudy } from './seedStudy';

const DAY = 86_400_000;
const BETWEEN_CAPTURES = 97_000;

/** Fills an empty data folder with the demonstration's shop. Every date counts from the day of seeding. */
export async function seedDemo(dataFolder: string, today: Date = new Date()): Promise<void> {
  let clock = today;
  const context = openContext(dataFolder, () => clock, uuidv7);
  const dayFromNow = (days: number) => new Date(today.getTime() + days * DAY).toISOString().slice(0, 10);
  writeShop(context.db, demoShop.shop);
  for (const { calibratedInDays, ...gauge } of demoShop.gauges) {
    insertGauge(context.db, { ...gauge, calibratedUntil: dayFromNow(calibratedInDays) });
  }
  const people = await seedPeople(context);
  const tick = () => {
    clock = new Date(Math.min(today.getTime(), clock.getTime() + BETWEEN_CAPTURES));
  };
  for (const job of demoJobs) {
    clock = new Date(today.getTime() - job.bookedDaysAgo * DAY);
    await seedJob({ context, inspector: people.mirel!, lead: people.jonas!, dayFromNow, tick }, job);
  }
  seedShims(context, people.jonas!);
  clock = new Date(today.getTime() - DAY / 2);
  seedSecondLooks({ context, people, tick });
  for (const study of demoStudies) {
    clock = new Date(today.getTime() - study.plannedDaysAgo * DAY);
    seedStudy({ context, people, tick }, study);
  }
  context.db.close();
}

/** What lies in the shop’s drawers of measured shims. */
function seedShims(context: Context, lead: Actor): void {
  for (const [unitTypeId, letter, thicknesses] of demoShop.shims) {
    const stack = readUnitType(context.db, unitTypeId, newestRevision(context.db, unitTypeId))?.stacks.find(
      (each) => each.letter === letter,
    );
    if (!stack) throw new Error(`${unitTypeId} has no stack ${letter}.`);
    const pieces = [...new Set(thicknesses)].map((thickness) => ({
      thickness,
      count: thicknesses.filter((each) => each === thickness).length,
    }));
    keepShims(lead, context, { unitTypeId, drawer: drawerOf(stack), pieces, before: [] });
  }
}

async function seedPeople(context: Context): Promise<Record<string, Actor>> {
  const passwordHash = await hashSecret(DEMO_PASSWORD);
  const people: Record<string, Actor> = {};
  for (const { key, name, role, pin } of demoShop.people) {
    const actor: Actor = { id: context.newId(), name, role };
    people[key] = actor;
    insertPerson(context.db, {
      ...actor,
      passwordHash,
      pinHash: await hashSecret(pin),
      isDemo: true,
      createdAt: context.now().toISOString(),
    });
  }
  return people;
}

if (process.argv[1] === import.meta.filename) {
  const folder = process.env.STEREOTOME_DATA ?? './data';
  await seedDemo(folder);
  console.log(`The demonstration’s shop stands in ${folder}.`);
}
