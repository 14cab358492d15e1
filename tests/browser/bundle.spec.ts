import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { JOB_TABLES } from '@/db/jobRows';
import { alive, enter, expect, PASSWORD, PEOPLE, passesTheRules, test } from './fixtures';
import { openOwnShop } from './ownServer';

/* A job out of one shop and into another, and the reports that go beside the customer's. */

test('a job goes out as a bundle, is looked through, and hangs on a peg in another shop', async ({
  page,
  browser,
}) => {
  await enter(page, 'lead', '/jobs/417?station=hand-over');
  const coming = page.waitForEvent('download');
  await page.getByRole('link', { name: 'The whole job as a bundle (ZIP)' }).click();
  const file = test.info().outputPath('job-417.zip');
  await (await coming).saveAs(file);

  // Here it is known; nothing is done twice.
  await page.goto('/bundles');
  await page.getByLabel('A bundle (ZIP)').setInputFiles(file);
  const preview = page.getByTestId('bundle-preview');
  await expect(preview).toContainText('This very job is here already, on peg 417');
  await expect(preview.getByRole('button', { name: 'Take it in' })).toHaveCount(0);
  await passesTheRules(page);
  // A file that is none is refused with words.
  const none = test.info().outputPath('none.zip');
  fs.writeFileSync(none, 'no zip at all');
  await page.getByLabel('A bundle (ZIP)').setInputFiles(none);
  await expect(page.getByText('This file is no ZIP, or it did not arrive whole.')).toBeVisible();
  await expect(preview).toHaveCount(0);

  // Another shop, which doesn't know this unit.
  const other = await openOwnShop('other');
  forget(other.data, 417);
  try {
    const there = await browser.newPage({ baseURL: other.url });
    await there.request.post('/api/v1/session', {
      data: { name: PEOPLE.lead, password: PASSWORD },
      headers: { origin: other.url },
    });
    await there.goto('/bundles');
    await alive(there);
    await there.getByLabel('A bundle (ZIP)').setInputFiles(file);
    const told = there.getByTestId('bundle-preview');
    await expect(told).toContainText('Bevel box, cable winch');
    await expect(told).toContainText('Its own is free here.');
    await told.getByLabel('On which peg').fill('412');
    await told.getByRole('button', { name: 'Take it in' }).click();
    await expect(told).toContainText('Peg 412 is taken');
    await told.getByLabel('On which peg').fill('717');
    await told.getByRole('button', { name: 'Take it in' }).click();
    await there.getByRole('link', { name: 'Open it' }).click();
    await expect(there.getByRole('heading', { name: /Bevel box, cable winch/ }).first()).toBeVisible();
    await expect(there.getByRole('heading', { name: 'Inspection sheet' })).toBeVisible();
    await expect(there.getByText('Pits with rust in them').first()).toBeVisible();
    await there.close();
  } finally {
    await other.close();
  }
});

// Full run only: tests/unit/paper holds every form of them.
test('reports for colleagues and of the parts are issued, read and had in every form @full', async ({
  page,
}) => {
  await enter(page, 'lead', '/jobs/409?station=hand-over');
  const others = page.getByRole('region', { name: 'Other reports' });
  await others.getByRole('button', { name: 'Issue it for colleagues' }).click();
  const issue = others.getByTestId(/^issue-\d+$/).first();
  await expect(issue).toContainText('for colleagues');
  const number = /issue-(\d+)/.exec((await issue.getAttribute('data-testid'))!)![1];
  await others.getByRole('button', { name: 'Issue it for colleagues' }).click();
  await expect(others.getByRole('alert')).toContainText(`Nothing changed since issue ${number}`);
  const address = (await issue.getByRole('link', { name: 'Read it' }).getAttribute('href'))!;
  for (const [form, type] of [
    ['pdf', 'application/pdf'],
    ['html', 'text/html'],
    ['csv', 'text/csv'],
    ['json', 'application/json'],
  ] as const) {
    const answer = await page.request.get(address.replace(/html$/, form));
    expect(answer.headers()['content-type']).toContain(type);
  }
  await page.goto(address);
  await expect(page.getByRole('heading', { name: /^Bench record of peg 409/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^How it lay: Main axis/ }).first()).toBeVisible();
  // What is read there may run nothing and fetch nothing.
  await passesTheRules(page);
});

/** As if the unit on a peg had never hung in that shop. */
function forget(data: string, peg: number): void {
  const db = new Database(path.join(data, 'shop.sqlite'));
  const { id } = db.prepare('SELECT id FROM jobs WHERE peg = ?').get(peg) as { id: string };
  for (const table of ['rack_rows', 'device_words', 'report_links', ...JOB_TABLES.slice(1)].reverse())
    db.prepare(`DELETE FROM ${table} WHERE job_id = ?`).run(id);
  db.prepare('DELETE FROM jobs WHERE id = ?').run(id);
  db.close();
}
