import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { NOTHING_SAID } from '@/model/symptoms';
import { bookIn } from '@/server/book-in/bookIn';
import { readHistory } from '@/server/book-in/history';
import { decidePart } from '@/server/decide/decide';
import { editJob } from '@/server/job/editJob';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { printLabels } from '@/server/strip/printLabels';
import { bookTestUnit, openTestShop, type TestShop } from './fixtures/shop';

let shop: TestShop;
beforeEach(() => {
  shop = openTestShop();
});
afterEach(() => shop.close());

describe('labels for bags', () => {
  it('name peg, bag, part and pieces, twenty-four on a sheet', async () => {
    const jobId = bookTestUnit(shop, { peg: 512, unitTypeId: 'skell-five' });
    const { peg, bytes } = await printLabels(shop.people.apprentice, shop.context, {
      jobId,
      origin: 'http://shop.local',
    });
    expect(peg).toBe(512);
    const document = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: true }).promise;
    // The box has 69 kinds of piece: 24 + 24 + 21.
    expect(document.numPages).toBe(3);
    const { items } = await (await document.getPage(1)).getTextContent();
    const text = items.map((item) => ('str' in item ? item.str : '')).join('|');
    expect(text).toContain('512 · bag 1|');
    expect(text).toContain('512 · bag 24|');
    expect(text).not.toContain('bag 25');
    expect(text).toContain('Pilot rollers');
    expect(text).toContain('14 pieces');
  });
});

describe('a unit that was here before', () => {
  const ask = (serial: string, peg = 0) =>
    readHistory(shop.people.inspector, shop.context, { serial, peg }).earlier;
  it('is found by its serial number, however it is written, or by the peg stamped on its case', () => {
    const jobId = bookIn(shop.people.inspector, shop.context, {
      ...{ peg: 77, customer: 'Mill', customerContact: '', machine: 'loader', unitTypeId: 'torvane-hx41' },
      ...{ unitTitle: 'Axle head', unitFamily: 'hypoid-axle', serial: 'HX-99a', tag: '', complaint: 'howls' },
      ...{ symptoms: [], oilClaimed: '', history: '', dueOn: '2026-12-01' },
    }).jobId;
    decidePart(shop.people.inspector, shop.context, {
      jobId,
      entry: { positionId: 'head-bearing', version: 0, decision: 'replace', reason: 'pitted' },
    });
    bookTestUnit(shop, { peg: 78 });
    expect(ask('hx-99A')).toMatchObject([
      {
        peg: 77,
        machine: 'loader',
        bookedAt: expect.stringContaining('2026-11-24'),
        renewed: [{ name: 'Head bearing', by: expect.any(String) }],
        set: [],
      },
    ]);
    expect(ask('', 77)).toHaveLength(1);
    // A unit without a serial number is like no other.
    expect(ask('')).toEqual([]);
    expect(ask('HX-99', 9)).toEqual([]);
  });
});

describe('what the counter notes', () => {
  const noise = { ...NOTHING_SAID, id: 'noise' as const, gears: ['3'], loads: ['coast' as const] };
  it('is kept as it was asked, and an edit that does not speak of it leaves it', () => {
    const { inspector } = shop.people;
    const jobId = bookIn(inspector, shop.context, {
      ...{ peg: 79, customer: 'Mill', customerContact: '', machine: 'loader', unitTypeId: 'skell-five' },
      ...{ unitTitle: 'Box', unitFamily: 'countershaft', serial: '', tag: '', complaint: 'howls' },
      ...{ symptoms: [noise], oilClaimed: '', history: '', dueOn: '2026-12-01' },
      received: { signs: ['wet with oil outside'], note: 'in a box' },
    }).jobId;
    const job = () => gatherSnapshot(shop.context.db, jobId).job;
    expect(job().symptoms).toEqual([noise]);
    expect(job().received).toEqual({ signs: ['wet with oil outside'], note: 'in a box' });
    const { customer, customerContact, machine, serial, tag, complaint, oilClaimed, history, dueOn } = job();
    const fields = { customer, customerContact, machine, serial, tag, complaint, oilClaimed, history, dueOn };
    const edit = { ...fields, version: 1, waitsFor: '' };
    editJob(inspector, shop.context, { jobId, edit: { ...edit, machine: 'old loader' } });
    expect(job()).toMatchObject({ machine: 'old loader', symptoms: [noise] });
    editJob(inspector, shop.context, { jobId, edit: { ...edit, version: 2, symptoms: [] } });
    expect(job().symptoms).toEqual([]);
  });
});
