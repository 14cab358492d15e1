import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { stationCounts } from '@/core/decisions/stationCounts';
import { partStates } from '@/core/wear/partStates';
import { readChanges } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { bookIn, readBookInForm } from '@/server/book-in/bookIn';
import { readBenchGauge, zeroBenchGauge } from '@/server/devices/benchGauge';
import { editJob } from '@/server/job/editJob';
import { handOverUnit } from '@/server/job/handOverUnit';
import { gatherSnapshot, readSnapshotByPeg } from '@/server/job/readSnapshot';
import { filePhotographUnder, readPhotograph } from '@/server/photos/readPhotograph';
import { storePhotograph } from '@/server/photos/storePhotograph';
import { addGauge, calibrateGauge, readGauges } from '@/server/shop/gauges';
import { readRack } from '@/server/shop/readRack';
import { searchJobs } from '@/server/shop/searchJobs';
import { readShopZone, setShopZone } from '@/server/shop/timeZone';
import { shopToday } from '@/server/shopDay';
import { drawShape } from '@/server/unit-types/drawShape';
import { rackTimes } from '../bench/rack';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  phoneJpeg,
  refusalOf as refused,
  sha256Of,
  shippedRevision,
  streamOf,
  type TestShop,
} from './fixtures/shop';

let shop: TestShop;
beforeEach(() => {
  shop = openTestShop();
});
afterEach(() => shop.close());

describe('the shop’s gauges', () => {
  const feelers = {
    name: 'Feelers F9',
    kind: 'feeler gauges',
    unit: 'mm' as const,
    resolution: 0.05,
    maxPermissibleError: 0.01,
    calibratedUntil: '2027-05-01',
  };
  const list = () => readGauges(shop.people.inspector, shop.context, undefined);

  it('are put on the list by the lead, each name once', () => {
    addGauge(shop.people.lead, shop.context, feelers);
    expect(list().map(({ name }) => name)).toEqual(['Dial', 'Feelers F9']);
    expect(list()[1]).toMatchObject({ repeatability: null, resolution: 0.05 });
    expect(
      refused(() => addGauge(shop.people.lead, shop.context, { ...feelers, name: 'feelers f9' })).message,
    ).toContain('already');
  });

  it.each([
    [{ resolution: 0 }, 'resolution'],
    [{ maxPermissibleError: -1 }, 'maxPermissibleError'],
    [{ calibratedUntil: 'next year' }, 'calibratedUntil'],
    [{ unit: 'furlong' }, 'unit'],
    [{ name: ' ' }, 'name'],
  ])('are not taken with %j', (wrong, path) => {
    const refusal = refused(() =>
      addGauge(shop.people.lead, shop.context, { ...feelers, ...(wrong as object) }),
    );
    expect((refusal.details.faults as { path: string }[])[0]?.path).toBe(path);
    expect(list()).toHaveLength(1);
  });

  it('come back from calibration with a line in the log', () => {
    calibrateGauge(shop.people.admin, shop.context, { gaugeId: 'dial', calibratedUntil: '2028-01-01' });
    expect(list()[0]?.calibratedUntil).toBe('2028-01-01');
    const logged = shop.context.db
      .prepare("SELECT before_json, after_json FROM change_log WHERE topic = 'gauge'")
      .all() as { before_json: string; after_json: string }[];
    expect(logged).toEqual([
      { before_json: '{"calibratedUntil":"2027-01-01"}', after_json: '{"calibratedUntil":"2028-01-01"}' },
    ]);
    expect(
      refused(() =>
        calibrateGauge(shop.people.admin, shop.context, { gaugeId: 'gone', calibratedUntil: '2028-01-01' }),
      ).status,
    ).toBe(404);
  });

  it('include a simulated one that reads round a part and can be set to nought', () => {
    const at = { gauge: 'indicator', index: 3, count: 41, nominal: 0.2 } as const;
    const { value } = readBenchGauge(shop.people.inspector, shop.context, at);
    expect(value).toBeGreaterThan(0.1);
    zeroBenchGauge(shop.people.inspector, shop.context, at);
    expect(Math.abs(readBenchGauge(shop.people.inspector, shop.context, at).value)).toBeLessThan(0.01);
    zeroBenchGauge(shop.people.inspector, shop.context, at);
    expect(
      refused(() => readBenchGauge(shop.people.inspector, shop.context, { ...at, index: 41 })).code,
    ).toBe('bad-input');
  });
});

describe('the rack', () => {
  it('pages by due date and peg, each unit once', () => {
    for (const peg of [501, 502, 503]) bookTestUnit(shop, { peg });
    const first = readRack(shop.people.parts, shop.context, {}).entries;
    expect(first.map(({ peg }) => peg)).toEqual([501, 502, 503]);
    const rest = readRack(shop.people.parts, shop.context, {
      afterDue: first[0]!.dueOn,
      afterPeg: first[0]!.peg,
    }).entries;
    expect(rest.map(({ peg }) => peg)).toEqual([502, 503]);
  });

  it('tells its days whatever page it shows, without what has left it', () => {
    const days = () => readRack(shop.people.parts, shop.context, { afterDue: '2099-01-01' }).days;
    const move = (peg: number, dueOn: string) =>
      shop.context.db.prepare('UPDATE jobs SET due_on = ? WHERE peg = ?').run(dueOn, peg);
    const [first] = [501, 502, 503].map((peg) => bookTestUnit(shop, { peg }));
    move(503, '2027-03-05');
    expect(days()).toEqual([
      { dueOn: '2026-12-01', units: 2 },
      { dueOn: '2027-03-05', units: 1 },
    ]);
    handOverUnit(shop.people.lead, shop.context, { jobId: first, handedOver: true });
    move(503, '2026-12-01');
    expect(days()).toEqual([{ dueOn: '2026-12-01', units: 2 }]);
    handOverUnit(shop.people.lead, shop.context, { jobId: first, handedOver: false });
    expect(days()).toEqual([{ dueOn: '2026-12-01', units: 3 }]);
  });

  it('has more pages than its first, each behind the last unit of the one before', () => {
    for (let peg = 501; peg <= 561; peg += 1) bookTestUnit(shop, { peg });
    const page = (after: object) => readRack(shop.people.parts, shop.context, after);
    const first = page({});
    expect([first.entries.length, first.more]).toEqual([60, true]);
    const { dueOn, peg } = first.entries.at(-1)!;
    const second = page({ afterDue: dueOn, afterPeg: peg });
    expect([second.entries.map((entry) => entry.peg), second.more]).toEqual([[561], false]);
    expect(refused(() => page({ afterPeg: 1.5 })).code).toBe('bad-input');
    expect(refused(() => page({ afterDue: '2026-11-24; and more' })).code).toBe('bad-input');
  });

  it('draws each type’s own shape, once described', () => {
    const shape = (unitTypeId: string) =>
      drawShape(shop.people.parts, shop.context, {
        unitTypeId,
        revision: unitTypeId.startsWith('own-') ? 1 : shippedRevision(),
      });
    expect(shape('torvane-hx41')).toContain('<svg xmlns="http://www.w3.org/2000/svg"');
    expect(shape('torvane-hx41')).not.toBe(shape('skell-five'));
    expect(refused(() => shape('none-such')).status).toBe(404);
    // Of what nobody has described there is an outline, not nothing.
    const own = bookTestUnit(shop, { peg: 641, unitTypeId: undefined });
    const { unitTypeId } = gatherSnapshot(shop.context.db, own).job;
    expect(shape(unitTypeId)).toContain('stroke-dasharray');
  });

  it('offers the next free peg and the types that are no single job’s own', () => {
    bookTestUnit(shop, { peg: 640 });
    bookTestUnit(shop, { peg: 641, unitTypeId: undefined });
    const { nextPeg, unitTypes } = readBookInForm(shop.people.lead, shop.context, undefined);
    expect(nextPeg).toBe(642);
    expect(unitTypes.map(({ id }) => id).sort()).toEqual([
      'marnholt-b2',
      'orlop-t2',
      'ostrevik-w3',
      'skell-five',
      'skell-t5',
      'torvane-hx41',
      'torvane-lk43',
    ]);
  });

  it('tells a peg that nothing hangs on', () => {
    expect(refused(() => readSnapshotByPeg(shop.people.lead, shop.context, { peg: 999 })).message).toBe(
      'No unit hangs on peg 999.',
    );
  });
});

describe('the tray', () => {
  const take = async (jobId: string, positionId?: string) => {
    const bytes = await phoneJpeg();
    const capture = {
      ...captureHead(jobId, shop.people.inspector),
      ...(positionId ? { positionId } : {}),
      fileName: 'x.jpg',
      bytes: bytes.length,
      digest: sha256Of(bytes),
    };
    await storePhotograph(shop.people.inspector, shop.context, { capture, body: streamOf(bytes) });
    return capture.id;
  };

  it('counts as open until each photograph is filed under a part', async () => {
    const jobId = bookTestUnit(shop);
    const gradeOpen = () => {
      const snapshot = gatherSnapshot(shop.context.db, jobId);
      return stationCounts(snapshot, partStates(snapshot)).find(({ id }) => id === 'grade')?.open ?? 0;
    };
    const before = gradeOpen();
    const photographId = await take(jobId);
    expect(gradeOpen()).toBe(before + 1);
    expect(
      refused(() =>
        filePhotographUnder(shop.people.inspector, shop.context, { photographId, positionId: 'flywheel' }),
      ).message,
    ).toContain('no part');
    filePhotographUnder(shop.people.inspector, shop.context, { photographId, positionId: 'cross-pin' });
    expect(gradeOpen()).toBe(before);
    expect(
      readChanges(shop.context.db, jobId).find(({ topic }) => topic === 'photograph filed'),
    ).toMatchObject({ after_json: '{"positionId":"cross-pin"}' });
  });

  it('shows a photograph through its own job only, made small and without its camera’s marks', async () => {
    const [mine, other] = [bookTestUnit(shop), bookTestUnit(shop, { peg: 502 })];
    const photographId = await take(mine, 'cross-pin');
    const file = await readPhotograph(shop.people.parts, shop.context, {
      jobId: mine,
      photographId,
      size: 320,
    });
    expect(file).toContain('/derived/320/');
    await expect(
      readPhotograph(shop.people.parts, shop.context, { jobId: other, photographId, size: 320 }),
    ).rejects.toMatchObject({ status: 404 });
    await expect(async () =>
      readPhotograph(shop.people.parts, shop.context, { jobId: mine, photographId, size: 5000 as 320 }),
    ).rejects.toMatchObject({ code: 'bad-input' });
  });
});

describe('the shop’s days', () => {
  it('are told by its own time zone, or the machine’s, and no zone that is none is kept', () => {
    const { context, people } = shop;
    const zone = (timeZone: string) => setShopZone(people.admin, context, { timeZone });
    shop.setTime('2026-11-24T11:30:00.000Z');
    // By hand: Auckland is 13 h ahead in November.
    expect(zone('Pacific/Auckland')).toEqual({ own: 'Pacific/Auckland', inForce: 'Pacific/Auckland' });
    expect(shopToday(context)).toBe('2026-11-25');
    expect(readBookInForm(people.lead, context, undefined).suggestedDue).toBe('2026-12-05');
    expect(refused(() => zone('Middle/Earth')).message).toContain('there is no such time zone');
    expect(refused(() => setShopZone(people.inspector, context, { timeZone: 'UTC' })).code).toBe('no-right');
    expect(readShopZone(people.parts, context, undefined).inForce).toBe('Pacific/Auckland');
    expect(zone('').inForce).toBe(Intl.DateTimeFormat().resolvedOptions().timeZone);
  });
});

describe('the search', () => {
  const pegs = (sought: string) =>
    searchJobs(shop.people.parts, shop.context, { sought }).found.map(({ peg }) => peg);
  const book = (peg: number, machine: string, serial = '') =>
    bookIn(shop.people.lead, shop.context, {
      ...{ peg, customer: 'Müller & Söhne', customerContact: '', machine, unitTypeId: 'skell-five' },
      ...{ unitTitle: 'Box', unitFamily: 'countershaft', serial, tag: '', complaint: 'howls in second' },
      ...{ symptoms: [], oilClaimed: '', history: '', dueOn: '2026-12-01' },
    }).jobId;

  it('finds by the beginnings of words, in any field and order, the last that came first', () => {
    book(601, 'post bus 12', 'KX-88');
    book(602, 'post bus 14');
    expect(pegs('bus po')).toEqual([602, 601]);
    expect(pegs('kx 88')).toEqual([601]);
    expect(pegs('muller')).toEqual([602, 601]);
    expect(pegs('howl 602')).toEqual([602]);
    expect([pegs('tractor'), pegs('   '), pegs('ost')]).toEqual([[], [], []]);
  });

  it('finds what was handed over, and says so; an edit is found by its new words', () => {
    const jobId = book(603, 'ferry');
    handOverUnit(shop.people.lead, shop.context, { jobId, handedOver: true });
    expect(readRack(shop.people.parts, shop.context, {}).entries).toEqual([]);
    expect(searchJobs(shop.people.parts, shop.context, { sought: 'ferry' }).found).toMatchObject([
      { peg: 603, handedOverAt: '2026-11-24T09:00:00.000Z' },
    ]);
    const { id: _, bookedAt: __, ...job } = gatherSnapshot(shop.context.db, jobId).job;
    editJob(shop.people.lead, shop.context, { jobId, edit: { ...job, machine: 'launch' } });
    expect([pegs('ferry'), pegs('launch')]).toEqual([[], [603]]);
  });

  it('finds each of ten thousand by three letters of it, on the first page', () => {
    const { db } = shop.context;
    book(701, 'post bus 31', 'HX-88213');
    const like = db.prepare('SELECT * FROM jobs WHERE peg = 701').get() as Record<string, unknown>;
    const insert = db.prepare(
      `INSERT INTO jobs (${Object.keys(like).join(', ')}) VALUES (${Object.keys(like)
        .map((name) => `@${name}`)
        .join(', ')})`,
    );
    // Words of three letters that are another one's for each: 22 x 22 x 22 machines.
    const letters = 'abcdefghijklmnopqrstuv';
    const wordOf = (index: number) =>
      [index, Math.floor(index / 22), Math.floor(index / 484)].map((at) => letters[at % 22]).join('');
    inTransaction(db, () => {
      for (let index = 0; index < 10_000; index += 1)
        insert.run({
          ...{ ...like, id: `many-${index}`, peg: 10_000 + index, serial: `Q${index}` },
          ...{ machine: `${wordOf(index)} sower`, complaint: `rumbles at ${index}` },
        });
    });
    for (let index = 0; index < 10_000; index += 97)
      expect(pegs(wordOf(index)), wordOf(index)).toContain(10_000 + index);
    expect(pegs('hx 882')).toEqual([701]);
    // Words that all of them carry come page by page, until the last.
    let beforePeg: number | undefined;
    let seen = 0;
    for (let page = 0; page < 4; page += 1) {
      const { found, more } = searchJobs(shop.people.parts, shop.context, {
        sought: 'sow rum',
        ...(beforePeg === undefined ? {} : { beforePeg }),
      });
      expect(found.every(({ peg }) => beforePeg === undefined || peg < beforePeg)).toBe(true);
      expect(more).toBe(true);
      seen += found.length;
      beforePeg = found.at(-1)!.peg;
    }
    expect(seen).toBe(80);
  });

  it('takes nothing that is typed for more than words', () => {
    book(604, 'loader');
    for (const sought of [
      '"',
      '*',
      'loader"',
      'NEAR(loader, 1)',
      'machine:loader',
      "loader' OR 1=1",
      '-loader',
    ])
      expect(() => pegs(sought), sought).not.toThrow();
    expect(pegs('loader OR ferry')).toEqual([]);
    expect(refused(() => pegs('x'.repeat(201))).code).toBe('bad-input');
    expect(refused(() => searchJobs(shop.people.admin, shop.context, { sought: 'loader' })).code).toBe(
      'no-right',
    );
  });
});

describe('the shops of the bench', () => {
  it.each(['rack', 'search', 'history'] as const)('have full pages of the %s', (asked) => {
    // Each look throws where a page isn't full: then the bench would compare something else.
    const { many, few } = rackTimes(2, asked, [400, 100]);
    expect(Math.min(...many, ...few)).toBeGreaterThan(0);
  });
});
