import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { alive, bookIn, enter, expect, jobIdOf, openTicket, reload, stored, test } from './fixtures';

const BOX = '/limits/skell-five';
/** The revision in which the box ships. */
const SHIPPED: number = JSON.parse(
  fs.readFileSync(path.join(import.meta.dirname, '../../src/catalog/unit-types/skell-five.json'), 'utf8'),
).revision;

test('a limit sheet is pasted, looked at line by line, saved as a revision; the job goes over on the lead’s word', async ({
  page,
}) => {
  await enter(page, 'lead');
  const peg = await bookIn(page, 'van of the limit sheet', 'Five-speed box');
  await page.goto(BOX);
  await alive(page);
  await page.getByRole('button', { name: 'Paste a table' }).click();
  const rows = [
    'part;check;kind;min;source;source words',
    '1st ring;Reserve gap;service;0,75;shop;lead, from the 3rd ring’s sheet',
    '2nd ring;Reserve gap;service;1,234;shop;lead',
    '9th ring;Reserve gap;service;0.8;shop;lead',
  ].join('\n');
  await page.getByLabel('Rows').fill(rows);
  await page.getByRole('button', { name: 'Look at it line by line' }).click();
  const preview = page.getByTestId('preview');
  await expect(preview).toContainText('Line 2: Reserve gap, service, at least 0.75 mm new');
  await expect(preview).toContainText('Line 3 can’t be taken: min: “1,234” can mean 1.234 or 1234');
  await expect(preview).toContainText('Line 4 can’t be taken: there is no part “9th ring”');
  await page.getByRole('button', { name: 'Take 1 line into the draft' }).click();
  const draft = page.getByTestId('draft');
  await expect(draft).toContainText('Reserve gap, service shop: none → at least 0.75 mm');

  // What was changed and not saved outlives a reload, on this device.
  await reload(page);
  await expect(draft).toContainText('at least 0.75 mm');

  // The shop's own figure beside the maker's needs a reason.
  await page.locator('[data-check="ring-4-gap"]').getByRole('button').click();
  await page.getByRole('button', { name: 'The shop’s own beside it' }).click();
  await page.getByLabel('Least').fill('0.95');
  await page.getByLabel('Where it comes from').fill('lead');
  await page.getByRole('button', { name: 'Into the draft' }).click();
  await expect(page.getByText('say why the shop goes by another')).toBeVisible();
  await page.getByLabel('Why the shop goes by it').fill('Boxes that tow come back.');
  await page.getByRole('button', { name: 'Into the draft' }).click();
  await expect(draft).toContainText('Reserve gap, service shop: none → at least 0.95 mm');

  await page.getByRole('button', { name: 'Add a check' }).click();
  await page.getByLabel('Part', { exact: true }).selectOption({ label: 'Countershaft' });
  await page.getByLabel('What is measured').selectOption('journal');
  await page.getByRole('button', { name: 'Add it to the draft' }).click();
  await expect(draft).toContainText('Journal diameter is checked now');

  // How a check is read, and that it is read at all.
  await page.locator('[data-check="ring-5-gap"]').getByRole('button').click();
  await page.getByRole('button', { name: 'How it is read' }).click();
  await page.getByLabel('Usually to, mm').fill('1,234');
  await page.getByRole('button', { name: 'Into the draft' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'What is usual' })).toContainText('1.234 or 1234');
  await page.getByLabel('Usually to, mm').fill('1.8');
  await page.getByRole('button', { name: 'Into the draft' }).click();
  await expect(draft).toContainText('Reserve gap is read or judged in another way');
  await page.locator('[data-check="sleeve-12-groove"]').getByRole('button').click();
  await page.getByRole('button', { name: 'Check it no longer' }).click();
  await expect(draft).toContainText('Width of the fork groove is no longer checked');

  await page.getByLabel('Why', { exact: true }).fill('After the towing boxes');
  await page.getByRole('button', { name: `Save as revision ${SHIPPED + 1}` }).click();
  await expect(page.getByRole('heading', { name: `Limit sheet, revision ${SHIPPED + 1}` })).toBeVisible();
  await expect(draft).toHaveCount(0);
  await expect(page.getByRole('table', { name: 'Revisions' })).toContainText('After the towing boxes');

  // The job was booked in with the shipped revision and stays there until somebody takes it over.
  await page.goto(`/jobs/${peg}?part=ring-1&face=measure`);
  await expect(page.getByText('No limit known: it stays an open question')).toBeVisible();
  await page.goto(`/jobs/${peg}?station=book-in`);
  await alive(page);
  const notice = page.getByTestId('sheet-notice');
  await expect(notice).toContainText(
    `revision ${SHIPPED} of its limit sheet; revision ${SHIPPED + 1} is out`,
  );
  await notice.getByRole('button', { name: 'What would it change?' }).click();
  await expect(notice).toContainText('at least 0.95 mm');
  await notice.getByRole('button', { name: `Judge this job by revision ${SHIPPED + 1}` }).click();
  await expect(notice).toHaveCount(0);
  await page.goto(`/jobs/${peg}?part=ring-4&face=measure`);
  const words = page.getByTestId('limit-words');
  await expect(words).toContainText(
    'at least 0.95 mm: service limit, shop’s own, lead, set by Jonas Telle: Boxes that tow come back.',
  );
  await expect(words).toContainText(
    'Beside it, not judged by: at least 0.80 mm, service limit, Skell works sheet 5-7',
  );

  const table = await page.request.get('/api/v1/limits/skell-five/table');
  expect(table.headers()['content-type']).toContain('text/csv');
  expect(await table.text()).toContain('1st ring,Reserve gap,service,0.75,');
});

test('a reading too close to call is accepted as printed, with a name and for these readings only', async ({
  page,
}) => {
  await enter(page, 'lead');
  const peg = await bookIn(page, 'trailer on the limit');
  const jobId = await jobIdOf(page);
  await page.goto(`/jobs/${peg}?station=book-in`);
  await alive(page);
  await page
    .getByLabel('A reading too close to call')
    .selectOption({ label: 'Accept it as printed, with a name' });
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.goto(`/jobs/${peg}?part=ring-gear&face=measure&check=back-face-runout`);
  await alive(page);
  const pad = page.getByLabel('Reading, Back-face run-out', { exact: true });
  for (const figures of ['0.08', '0.07', '0.08']) {
    await pad.fill(figures);
    await pad.press('Enter');
    await expect(pad).toHaveValue('');
  }
  await stored(page, jobId, 3);
  await expect(page.getByTestId('verdict')).toContainText('Too close to call');
  const risk = page.getByTestId('too-close');
  await risk.getByLabel('Why it may pass').fill('The rim was dirty at one place');
  await risk.getByRole('button', { name: 'Accept it as printed, in my name' }).click();
  await expect(risk).toContainText('Accepted as printed by Jonas Telle');
  await expect(page.getByTestId('verdict')).toContainText('Too close to call');
  await pad.fill('0.08');
  await pad.press('Enter');
  await stored(page, jobId, 4);
  await expect(risk).not.toContainText('Accepted as printed by');
});

test('a person reads in inches: figures and limits follow, what was taken stays as it was taken', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'trailer read in inches');
  const jobId = await jobIdOf(page);
  await openTicket(page, 'Yoke');
  await page.getByRole('tab', { name: 'Measure' }).click();
  const pad = page.getByLabel('Reading, Groove at the seal land');
  await pad.fill('0.05');
  await pad.press('Enter');
  await stored(page, jobId, 1);
  await page.getByRole('button', { name: /Mirel Astrand/ }).click();
  await page.getByRole('button', { name: 'Read in inches' }).click();
  // By hand: 0.05/25.4 = 0.00197, 0.10/25.4 = 0.00394.
  await expect(page.getByTestId('verdict')).toContainText('0.00197');
  await expect(page.getByTestId('limit-words')).toContainText('at most 0.0039 in');
  await expect(page.getByText('0.05 mm (0.0020 in)')).toBeVisible();
  const { readings } = await stored(page, jobId, 1);
  expect(readings[0]).toMatchObject({ raw: '0.05', unit: 'mm', value: 0.05 });
  await reload(page);
  await expect(page.getByTestId('verdict')).toContainText('0.00197');
  await page.getByRole('button', { name: /Mirel Astrand/ }).click();
  await page.getByRole('button', { name: 'Read in millimetres' }).click();
  await expect(page.getByTestId('verdict')).toContainText('0.050');
});

test('teeth counted against tag and marks; what another ratio would do', async ({ page }) => {
  await enter(page, 'inspector');
  const peg = await bookIn(page, 'trailer with a wrong set');
  await page.goto(`/jobs/${peg}?station=book-in`);
  await alive(page);
  const panel = page.getByTestId('identity');
  await panel.getByLabel('Smaller gear, teeth').fill('0');
  await panel.getByLabel('Larger gear, teeth').fill('40');
  await panel.getByRole('button', { name: 'Hold it against tag and mate' }).click();
  await expect(panel.getByText('at least 3')).toBeVisible();
  await panel.getByLabel('Smaller gear, teeth').fill('12');
  await panel.getByLabel('Teeth marked on them').fill('11/41');
  await panel.getByLabel('Ratio on the tag').fill('3,73');
  await panel.getByLabel('Splines counted').fill('26');
  await panel.getByLabel('Splines of its mate').fill('27');
  await panel.getByRole('button', { name: 'Hold it against tag and mate' }).click();
  const result = page.getByTestId('identity-result');
  await expect(result).toContainText('40 to 12: ratio 3.333');
  await expect(result).toContainText('Counted 12 teeth on the smaller gear; 11 are marked.');
  await expect(result).toContainText('Counted 26 splines; its mate has 27.');
  await expect(result).toContainText('this type of unit has 11/41');
  await expect(result).toContainText('share the factor 4');
  const other = page.getByTestId('other-ratio');
  await other.getByLabel('Other set, smaller').fill('11');
  await other.getByLabel('Other set, larger').fill('nil');
  await expect(other.getByRole('alert')).toContainText('Other set, larger');
  await other.getByLabel('Other set, larger').fill('41');
  // By hand: 80 km/h over 2.2 m, 606.06 wheel turns a minute, times 40/12 and 41/11.
  await expect(other.getByRole('row', { name: /Engine/ })).toContainText('2020');
  await expect(other.getByRole('row', { name: /Engine/ })).toContainText('2259');
});

test('a newer document is offered with what it would change, and the open bench follows on the lead’s word', async ({
  page,
  shop,
}) => {
  await enter(page, 'lead');
  const peg = await bookIn(page, 'tedder of the new caution');
  const db = new Database(`${shop.data}/shop.sqlite`);
  const { text } = db
    .prepare("SELECT document_json AS text FROM catalog_documents WHERE kind = 'cautions' AND revision = 1")
    .get() as { text: string };
  const document = JSON.parse(text) as { cautions: object[] };
  const caution = {
    id: 'hot-oil',
    title: 'Hot oil',
    words: 'Let it cool.',
    applies: { stations: ['rebuild'] },
    grave: false,
  };
  db.prepare("INSERT INTO catalog_documents VALUES ('cautions', 2, ?, '')").run(
    JSON.stringify({ ...document, revision: 2, cautions: [...document.cautions, caution] }),
  );
  db.close();
  await page.goto(`/jobs/${peg}?station=book-in`);
  await alive(page);
  const notice = page.getByTestId('catalog-notice');
  await expect(notice).toContainText('Newer cautions are out (revision 2); this job keeps revision 1.');
  await notice.getByRole('button', { name: 'What would they change?' }).click();
  await expect(notice).toContainText('New caution: Hot oil. Let it cool.');
  await notice.getByRole('button', { name: 'Judge this job by the newer ones' }).click();
  await expect(notice).toHaveCount(0);
});
