import fs from 'node:fs';
import type { Page } from '@playwright/test';
import {
  alive,
  bookIn,
  chooser,
  enter,
  everythingStored,
  expect,
  jobIdOf,
  openTicket,
  PEOPLE,
  stored,
  storedJob,
  test,
  toStation,
  wholeBench,
} from './fixtures';
import { demoPhotograph } from './pictures';

const measure = async (page: Page, figures: string) => {
  await page.getByLabel('Reading, Backlash').fill(figures);
  await page.getByLabel('Reading, Backlash').press('Enter');
};
const onMeasure = async (page: Page) => {
  await openTicket(page, 'Ring gear');
  await page.getByRole('tab', { name: 'Measure' }).click();
};

test('undone without network, and while a slow photograph is being sent, a reading is gone for good', async ({
  page,
  context,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'harrow of second thoughts');
  const jobId = await jobIdOf(page);
  await onMeasure(page);
  await wholeBench(page);
  await context.setOffline(true);
  await measure(page, '0.2');
  await expect(page.getByTestId('waiting-uploads')).toHaveText('1 reading waiting');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.locator('[data-capture]')).toHaveCount(0);
  await expect(page.getByTestId('waiting-uploads')).toHaveText('Everything is stored');
  await context.setOffline(false);

  // The photograph's answer is held back; what is taken behind it waits in the queue.
  let release = () => {};
  const held = new Promise<void>((resolve) => {
    release = resolve;
  });
  await page.route('**/api/v1/photographs/*', async (route) => {
    await held;
    await route.continue();
  });
  await page.getByRole('tab', { name: 'Picture' }).click();
  await chooser(page).setInputFiles([demoPhotograph('ring-gear-pitted.jpg')]);
  await expect(page.getByTestId('waiting-uploads')).toHaveText('1 photograph waiting');
  await page.getByRole('tab', { name: 'Measure' }).click();
  await measure(page, '0.21');
  await measure(page, '0.22');
  await expect(page.locator('[data-capture]')).toHaveCount(2);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.locator('[data-capture]')).toHaveCount(1);
  release();
  const { readings, photographs } = await stored(page, jobId, 2);
  expect(readings.map(({ raw }) => raw)).toEqual(['0.21']);
  expect(photographs).toHaveLength(1);
});

test('a capture that the shop’s computer can’t store steps aside after three tries, and the next ones pass', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'mower of the poisoned reading');
  const jobId = await jobIdOf(page);
  await onMeasure(page);
  let tries = 0;
  await page.route('**/api/v1/captures/readings/*', async (route) => {
    if (route.request().postDataJSON().raw !== '0.13') return route.continue();
    tries += 1;
    await route.fulfill({ status: 500, json: { code: 'failed', message: 'Something went wrong.' } });
  });
  for (const figures of ['0.12', '0.13', '0.14']) await measure(page, figures);
  await expect(page.getByTestId('waiting-uploads')).toHaveText('1 reading, 1 needs you', { timeout: 40_000 });
  expect(tries).toBe(3);
  await expect
    .poll(async () => (await storedJob(page, jobId)).readings.map(({ raw }) => raw))
    .toEqual(['0.12', '0.14']);
  // The person can have it as a file, and send it again when the fault is mended.
  await page.getByTestId('waiting-uploads').click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Keep as a file' }).click();
  expect((await download).suggestedFilename()).toMatch(/^peg-\d+-reading-.*\.json$/);
  await page.unroute('**/api/v1/captures/readings/*');
  await page.getByRole('button', { name: 'Send again' }).click();
  await stored(page, jobId, 3);
});

test('what is judged without network stands at once and arrives once: a step, a grade, decisions, a cause, a hold', async ({
  page,
  context,
}) => {
  await enter(page, 'lead');
  await bookIn(page, 'digger in the pit');
  const jobId = await jobIdOf(page);
  await toStation(page, 'Strip');
  await page.getByRole('button', { name: 'Read and understood' }).click();
  await everythingStored(page);
  await wholeBench(page);
  await context.setOffline(true);
  await page.getByTestId('step').getByRole('button', { name: 'Done' }).click();
  await expect(page.getByTestId('step-log').locator('[data-capture]')).toHaveCount(1);

  await toStation(page, 'Grade');
  await openTicket(page, 'Cross-pin');
  const ticket = page.getByRole('complementary', { name: 'Ticket of Cross-pin' });
  await ticket.getByRole('tab', { name: 'Look' }).click();
  await ticket.getByRole('button', { name: /^one-sided flat/ }).click();
  await ticket.getByRole('button', { name: 'moderate' }).click();
  await ticket.getByRole('button', { name: /^Grade it \d/ }).click();
  await expect(ticket).toContainText(`by ${PEOPLE.lead}`);
  await ticket.getByRole('tab', { name: 'Decide' }).click();
  await ticket.getByRole('button', { name: 'Replace', exact: true }).click();
  await expect(ticket.getByRole('heading', { name: 'Replace' })).toBeVisible();
  await expect(page.getByTestId('waiting-uploads')).toHaveText('4 captures waiting');

  await toStation(page, 'Cause');
  await page.getByLabel('Cause, for colleagues').fill('One-sided load on the pin.');
  await page.getByLabel('In plain words, for the customer').fill('The pin wore on one side.');
  await page.getByRole('button', { name: 'Note the cause' }).click();
  await expect(page.getByText(`Noted by ${PEOPLE.lead}`)).toBeVisible();
  await toStation(page, 'Decide');
  await page.getByRole('button', { name: 'Repair as found' }).click();
  await page.getByLabel('Why, in plain words').fill('A new pin.');
  await page.getByRole('button', { name: 'Decide for the unit' }).click();
  await expect(page.getByText(`repair as found, decided by ${PEOPLE.lead}`)).toBeVisible();
  await page.getByRole('button', { name: /^Hold/ }).click();
  await page.getByLabel('It waits for').fill('a cross-pin');
  await page.getByLabel('Whose turn it is').fill('the parts desk');
  await page.getByRole('button', { name: 'Put it on hold' }).click();
  await expect(page.getByTestId('hold-panel')).toContainText('On hold: a cross-pin; the parts desk to act.');
  await expect(page.getByTestId('waiting-uploads')).toHaveText('7 captures waiting');

  await context.setOffline(false);
  await everythingStored(page);
  const answer = await page.request.get(`/api/v1/jobs/${jobId}`);
  const held = (await answer.json()) as Record<'records' | 'grades' | 'decisions' | 'findings', unknown[]>;
  expect(held).toMatchObject({
    cause: { words: 'One-sided load on the pin.', version: 1, by: PEOPLE.lead },
    unitDecision: { decision: 'repair', version: 1 },
  });
  expect(held.records).toHaveLength(3);
  expect(held.findings).toHaveLength(1);
  expect(held.grades).toMatchObject([{ positionId: 'cross-pin', version: 1, by: PEOPLE.lead }]);
  expect(held.decisions).toMatchObject([{ positionId: 'cross-pin', decision: 'replace', version: 1 }]);
});

test('two people grade one part without knowing of each other: both are kept, and it is asked who is right', async ({
  page,
  context,
  browser,
  baseURL,
}) => {
  await enter(page, 'inspector');
  const peg = await bookIn(page, 'crane of two minds');
  await openTicket(page, 'Cross-pin');
  await page.getByRole('tab', { name: 'Look' }).click();
  // What nobody has looked at has no grade.
  await expect(page.getByRole('complementary').getByRole('button', { name: 'Another grade' })).toHaveCount(0);
  await page.getByRole('button', { name: /^nothing to see/ }).click();
  await everythingStored(page);
  const gradeIt = async (who: Page, grade: string) => {
    const ticket = who.getByRole('complementary', { name: 'Ticket of Cross-pin' });
    await ticket.getByRole('button', { name: 'Another grade' }).click();
    await ticket.getByLabel('Why another grade?').fill('by eye');
    await ticket.getByRole('button', { name: grade }).last().click();
  };
  await wholeBench(page);
  await context.setOffline(true);
  await gradeIt(page, '2 worn');
  await expect(page.getByTestId('waiting-uploads')).toHaveText('1 grade waiting');

  const colleague = await browser.newPage(baseURL ? { baseURL } : {});
  await enter(colleague, 'lead', `/jobs/${peg}?part=cross-pin&face=look`);
  await gradeIt(colleague, '4 done');
  await everythingStored(colleague);

  await context.setOffline(false);
  await everythingStored(page);
  const ticket = page.getByRole('complementary', { name: 'Ticket of Cross-pin' });
  await expect(ticket).toContainText(`4 done by ${PEOPLE.lead}`);
  await expect(ticket).toContainText(`Graded 2 by ${PEOPLE.inspector} too, without knowing of the other`);
  await gradeIt(page, '3 ');
  await everythingStored(page);
  await expect(ticket).not.toContainText('without knowing of the other');
  await colleague.close();
});

test('two tabs of one job agree without asking the shop for it', async ({ page, context }) => {
  await enter(page, 'inspector');
  const peg = await bookIn(page, 'loader of two tabs');
  const other = await context.newPage();
  await other.goto(`/jobs/${peg}?part=ring-gear&face=measure`);
  await alive(other);
  await onMeasure(page);
  await measure(page, '0.2');
  await expect(other.locator('[data-capture]')).toHaveCount(1);
  await expect(other.locator('[data-capture]')).not.toContainText('waits on this device');
  await other.close();
});

test('a series that began a tooth late is put right as a whole, and each reading still says where it was taken', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'plough of the late start');
  const jobId = await jobIdOf(page);
  await onMeasure(page);
  await page.getByLabel('Gauge', { exact: true }).selectOption({ label: 'Dial G4, reads to 0.01 mm' });
  await page.getByRole('button', { name: 'Read all 41, round the part' }).click();
  for (const figures of ['0.21', '0.22', '0.23']) await measure(page, figures);
  await stored(page, jobId, 3);
  const second = page.locator('[data-capture]').filter({ hasText: '0.22' });
  await second.getByRole('button', { name: 'put right' }).click();
  const form = page.getByTestId('put-right');
  await form.getByRole('button', { name: 'This and all after it, one place on' }).click();
  await expect(form.getByRole('alert')).toContainText('Say why it is put right');
  await form.getByLabel('Why is it put right?').fill('one tooth was passed over');
  await form.getByRole('button', { name: 'This and all after it, one place on' }).click();
  await expect(form).toHaveCount(0);
  await expect(second).toContainText('tooth 3: ');
  await expect(second).toContainText(`Put right by ${PEOPLE.inspector}: taken as tooth 2`);
  // The pad goes on behind the last of them.
  await expect(page.getByTestId('place')).toHaveText('tooth 5');
  await everythingStored(page);

  await second.getByRole('button', { name: 'put right' }).click();
  await form.getByLabel('Why is it put right?').fill('the other dial was in hand');
  await form.getByLabel('It was read with').selectOption({ label: 'Bench gauge' });
  await form.getByRole('button', { name: 'It was read with this gauge' }).click();
  await expect(second).toContainText('taken with Dial G4');
  await everythingStored(page);
  await page.reload();
  await alive(page);
  await expect(second).toContainText('tooth 3: ');
  // What was stored is what was taken.
  const { readings } = await storedJob(page, jobId);
  expect(readings.map(({ place }) => place)).toEqual(['tooth 1', 'tooth 2', 'tooth 3']);
});

test('a unit is handed over, leaves the rack, is found by its words and its peg, and can be hung up again', async ({
  page,
}) => {
  await enter(page, 'lead');
  const peg = await bookIn(page, 'binder that goes home');
  await toStation(page, 'Hand over');
  const act = page.getByTestId('off-the-rack');
  await act.getByRole('button', { name: 'The unit is handed over' }).click();
  await expect(act).toContainText(`Handed over by ${PEOPLE.lead}`);
  await page.goto('/');
  await expect(page.getByText('binder that goes home')).toHaveCount(0);
  await alive(page);
  await page.getByLabel('Find a unit').fill('goes bin');
  const found = page.getByRole('region', { name: 'Found' });
  await expect(found.getByRole('link', { name: `Peg ${peg}, Hypoid axle head 11/41` })).toBeVisible();
  await expect(found).toContainText('handed over');
  await page.goto(`/jobs/${peg}?station=hand-over`);
  await alive(page);
  await act.getByRole('button', { name: 'Hang it on the rack again' }).click();
  await expect(act).toContainText(`The unit hangs on peg ${peg}`);
  // By its words again: a full rack has more pages than the first.
  await page.goto('/');
  await alive(page);
  await page.getByLabel('Find a unit').fill('goes bin');
  await expect(found.getByRole('link', { name: `Peg ${peg}, Hypoid axle head 11/41` })).toBeVisible();
  await expect(found).not.toContainText('handed over');
});

/** Counts what changes on the page from now on, by where it is: in the section, the run, or elsewhere; the undo's countdown apart. */
const watchChanges = (page: Page) =>
  page.evaluate(() => {
    const changes = { section: 0, elsewhere: 0, counts: [] as string[] };
    Object.assign(window, { changes });
    new MutationObserver((records) => {
      for (const { target } of records) {
        const element = target instanceof Element ? target : target.parentElement;
        if (element?.closest('[role="status"]')) continue;
        if (element?.closest('[data-testid="section"]')) changes.section += 1;
        else if (element?.closest('nav')) {
          const station =
            element.closest('button')?.textContent?.match(/^[A-Z][a-z ]+/)?.[0] ?? 'the run itself';
          if (!changes.counts.includes(station)) changes.counts.push(station);
        } else changes.elsewhere += 1;
      }
    }).observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true });
  });
const changesOf = (page: Page) =>
  page.evaluate(
    () =>
      (window as unknown as { changes: { section: number; elsewhere: number; counts: string[] } }).changes,
  );

test('a reading shows where it is shown and nowhere else; an idle minute shows nothing', async ({ page }) => {
  await page.clock.install();
  await enter(page, 'inspector');
  await bookIn(page, 'rake of the quiet page');
  const jobId = await jobIdOf(page);
  await onMeasure(page);
  await page.clock.runFor(20_000);
  await watchChanges(page);
  await measure(page, '0.2');
  await page.clock.runFor(500);
  await stored(page, jobId, 1);
  await page.clock.runFor(12_000);
  const after = await changesOf(page);
  expect(after.section, 'the section').toBe(0);
  // The check is one of the baseline's.
  expect(after.counts, 'the run').toEqual(['Baseline']);
  expect(after.elsewhere, 'ticket and queue').toBeGreaterThan(0);
  const before = { ...after };
  // A minute of asking every fifteen seconds, and of looking after the queue.
  await page.clock.runFor(60_000);
  expect(await changesOf(page)).toEqual(before);
});

test('a device whose store a newer program left behind says so, saves what lies on it, and begins anew', async ({
  page,
  context,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'loader from tomorrow');
  await onMeasure(page);
  await wholeBench(page);
  await context.setOffline(true);
  await measure(page, '0.27');
  await expect(page.getByTestId('waiting-uploads')).toHaveText('1 reading waiting');
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const newer = indexedDB.open('stereotome-queue', 99);
        newer.onsuccess = () => {
          newer.result.close();
          resolve();
        };
        newer.onerror = () => reject(newer.error);
      }),
  );
  await context.setOffline(false);
  const store = page.getByTestId('waiting-uploads');
  await expect(store).toHaveText('The store of this device can’t be read');
  await measure(page, '0.28');
  await expect(page.getByText('This device can’t keep it')).toBeVisible();
  await expect(page.getByLabel('Reading, Backlash')).toHaveValue('0.28');
  await store.click();
  await expect(page.getByRole('button', { name: 'It is saved: begin anew' })).toBeDisabled();
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save it as a file' }).click(),
  ]);
  const zip = fs.readFileSync(await saved.path());
  expect(saved.suggestedFilename()).toBe('stereotome-captures.zip');
  // Stored without compression, so that what was read lies there in plain letters.
  expect(zip.toString('utf8')).toContain('"raw":"0.27"');
  await page.getByRole('button', { name: 'It is saved: begin anew' }).click();
  await expect(store).toHaveText('Everything is stored');
  await page.getByLabel('Reading, Backlash').press('Enter');
  await everythingStored(page);
  const { readings } = await storedJob(page, await jobIdOf(page));
  expect(readings.map(({ raw }) => raw)).toEqual(['0.28']);
});
