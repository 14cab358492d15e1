import type { Page } from '@playwright/test';
import { bookIn, enter, everythingStored, expect, jobIdOf, test } from './fixtures';

/* The inspection sheet: a whole unit gone through by keyboard, and by finger. */

interface Held {
  readonly findings: readonly { positionId: string; mode: string; struck: unknown }[];
  readonly grades: readonly { positionId: string; grade: number; reason: string }[];
  readonly records: readonly { content: { what: string; stands?: boolean; reason?: string } }[];
}
const held = async (page: Page) =>
  (await (await page.request.get(`/api/v1/jobs/${await jobIdOf(page)}`)).json()) as Held;
const current = (page: Page) => page.locator('[data-sheet-row][data-current]');
/** What of findings and grades holds on the shop's computer. */
const standing = async (page: Page) => {
  const { findings, grades } = await held(page);
  return { findings: findings.filter(({ struck }) => struck === null).length, grades: grades.length };
};
const notLookedAt = async (page: Page) =>
  Number(
    /^(\d+) not looked at/.exec(
      (await page.getByRole('heading', { name: /looked at/ }).innerText()).trim(),
    )?.[1] ?? 0,
  );

test('a gearbox is graded by keyboard in one go: one key for a part with nothing wrong, six for one with a finding @full', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'box by keyboard', 'Five-speed box');
  await expect(page.getByTestId('sheet')).toBeVisible();
  const all = await notLookedAt(page);
  expect(all).toBeGreaterThan(40);
  let keys = 0;
  const press = async (key: string) => {
    keys += 1;
    await page.keyboard.press(key);
  };

  // The first three have a finding each: word, place, severity, and the grade that the rules then propose.
  for (let part = 0; part < 3; part += 1) {
    keys = 0;
    const id = (await current(page).getAttribute('data-sheet-row')) ?? '';
    await press('f');
    const finding = page.getByTestId('finding-keys');
    await expect(finding).toContainText('What do you see?');
    await press('2');
    await expect(finding).toContainText(/Where\?|How severe\?/);
    if (await finding.getByText('Where?').isVisible()) await press('1');
    await expect(finding).toContainText('How severe?');
    await press('2');
    await expect(finding).toHaveCount(0);
    await expect(page.getByTestId('sheet')).toContainText('The rules propose');
    const proposed = await page
      .getByRole('button', { name: /as the rules propose/ })
      .first()
      .innerText();
    await press(proposed.trim());
    await expect(current(page)).not.toHaveAttribute('data-sheet-row', id);
    expect(keys, id).toBeLessThanOrEqual(6);
  }

  // A key that is held down, under a glove or a dropped tool, says it of one part alone.
  const before = await notLookedAt(page);
  await page.keyboard.down('n');
  for (let held = 0; held < 5; held += 1) await page.keyboard.down('n');
  await page.keyboard.up('n');
  await expect.poll(() => notLookedAt(page)).toBe(before - 1);

  // All the others show nothing: one key each, and it goes on by itself. Settled parts fold and stay in sight.
  for (let left = await notLookedAt(page); left > 0; left = await notLookedAt(page)) {
    const id = (await current(page).getAttribute('data-sheet-row')) ?? '';
    await page.keyboard.press('n');
    if (left > 1) await expect(current(page)).not.toHaveAttribute('data-sheet-row', id);
    await expect.poll(() => notLookedAt(page)).toBeLessThan(left);
  }
  await expect(page.getByRole('heading', { name: 'All looked at' })).toBeVisible();
  await everythingStored(page);
  const { findings, grades } = await held(page);
  expect(grades).toHaveLength(all);
  expect(findings.filter(({ mode }) => mode === 'nothing-to-see')).toHaveLength(all - 3);
  expect(new Set(findings.map(({ positionId }) => positionId)).size).toBe(all);
});

test('like parts are gathered and said nothing of in one act, each with its own record, and taken back together', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'box of likes', 'Five-speed box');
  const sheet = page.getByTestId('sheet');
  await sheet
    .getByRole('option', { name: /^1st gear/ })
    .first()
    .click();
  await page.keyboard.press('Space');
  await expect(sheet).toContainText(/\d+ chosen:/);
  const chosen = await sheet.getByRole('option', { selected: true }).count();
  expect(chosen).toBeGreaterThan(2);
  await page.keyboard.press('Escape');
  await expect(sheet.getByRole('option', { selected: true })).toHaveCount(1);
  await page.keyboard.press('Space');
  await page.keyboard.press('n');
  // Ten seconds to take it back, whether it is stored by then or not.
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Undo/ })).toHaveCount(0);
  await everythingStored(page);
  await expect.poll(async () => (await standing(page)).findings).toBe(0);
  // A grade is taken back with what it rests on, or lies open: as good it shows nowhere.
  const firstGear = sheet.getByRole('option', { name: /^1st gear/ }).first();
  await expect(firstGear).toHaveAttribute('data-sheet-row');
  const { grades: before } = await standing(page);

  await sheet
    .getByRole('option', { name: /^1st ring/ })
    .first()
    .click();
  await page.keyboard.press('Space');
  await expect(sheet).toContainText(/\d+ chosen:/);
  const rings = await sheet.getByRole('option', { selected: true }).count();
  expect(rings).toBeGreaterThan(2);
  await page.keyboard.press('n');
  await everythingStored(page);
  expect(await standing(page)).toEqual({ findings: rings, grades: before + rings });
  // Said once more of one of them it is refused in words, and nothing is put down twice.
  await sheet
    .getByRole('option', { name: /^1st ring/ })
    .first()
    .click();
  await page.keyboard.press('n');
  await expect(page.getByText(/“nothing to see” stands here already/)).toBeVisible();
  await everythingStored(page);
  expect(await standing(page)).toEqual({ findings: rings, grades: before + rings });
  await expect(firstGear).toHaveAttribute('data-sheet-row');
});

test('a grade needs something seen, and a reason where the rules say otherwise; scuffing everywhere is told of the unit and can be refused', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'box of scuffing', 'Five-speed box');
  const sheet = page.getByTestId('sheet');
  await page.keyboard.press('3');
  await expect(sheet.getByRole('alert')).toContainText('nobody has said yet what is seen on it');
  for (const name of [/^1st gear/, /^2nd gear/, /^3rd gear/]) {
    await sheet.getByRole('option', { name }).first().click();
    await sheet.getByRole('button', { name: 'finding' }).click();
    const finding = page.getByTestId('finding-keys');
    await finding
      .getByRole('button', { name: /scuffing/ })
      .first()
      .click();
    await finding.getByRole('button', { name: 'drive flank' }).click();
    await finding.getByRole('button', { name: 'severe' }).click();
    await expect(finding).toHaveCount(0);
  }
  await page.keyboard.press('2');
  const why = page.getByTestId('why-grade');
  await expect(why.getByRole('button', { name: 'Grade 2 worn' })).toBeDisabled();
  await why.getByLabel(/Why 2 worn/).fill('only a film of it');
  await why.getByRole('button', { name: 'Grade 2 worn' }).click();
  await expect(why).toHaveCount(0);
  const unit = page.getByTestId('unit-finding-scuffing-every-mesh');
  await expect(unit).toContainText('Scuffing on every mesh');
  await unit.getByRole('button', { name: 'Not so' }).click();
  await unit.getByLabel('Why is it not so?').fill('old marks of the run-in');
  await unit.getByRole('button', { name: 'Refuse it' }).click();
  await expect(unit).toContainText('Refused by');
  await everythingStored(page);
  const { grades, records } = await held(page);
  expect(grades).toMatchObject([{ grade: 2, reason: 'only a film of it' }]);
  expect(records.map(({ content }) => content)).toMatchObject([
    { what: 'unit-finding', stands: false, reason: 'old marks of the run-in' },
  ]);
});

test('a test by hand: its protocol beside the answers; a failure is a finding, what can’t be said stays open', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'box by hand', 'Five-speed box');
  const sheet = page.getByTestId('sheet');
  const bearing = sheet.getByRole('option', { name: /^Middle bearing/ });
  await bearing.click();
  await page.keyboard.press('h');
  const keys = page.getByTestId('hand-test-keys');
  await expect(keys).toContainText('three slow turns each way');
  await expect(keys).toContainText('Smooth by hand never proves a bearing sound');
  await page.keyboard.press('3');
  await expect(bearing).toContainText('can’t say');
  await page.keyboard.press('h');
  await page.keyboard.press('2');
  await expect(bearing).toContainText('rough, twice');
  await expect(sheet).toContainText('The rules propose');
  // A crack test says by which method and by whom, or is not put down.
  await sheet
    .getByRole('option', { name: /^1st gear/ })
    .first()
    .click();
  await page.keyboard.press('h');
  await keys.getByRole('button', { name: /Crack test/ }).click();
  await expect(keys.getByRole('button', { name: /no indication/ })).toBeDisabled();
  await keys.getByLabel('Say the method, and by whom').fill('penetrant, Mirel');
  await keys.getByRole('button', { name: /no indication/ }).click();
  await expect(keys).toHaveCount(0);
  await everythingStored(page);
  const { records, findings } = await held(page);
  expect(records.map(({ content }) => content)).toMatchObject([
    { what: 'hand-test', testId: 'bearing-feel', result: 'cannot-say' },
    { what: 'hand-test', testId: 'bearing-feel', result: 'fail' },
    { what: 'hand-test', testId: 'crack-test', result: 'pass', note: 'penetrant, Mirel' },
  ]);
  expect(findings).toMatchObject([{ mode: 'rough-by-hand' }]);
});

test('by finger at 1024 × 768: the keys stay in reach, and a part is said nothing of in one tap', async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({
    ...(baseURL ? { baseURL } : {}),
    ...{ viewport: { width: 1024, height: 768 }, hasTouch: true, serviceWorkers: 'block' },
  });
  const page = await context.newPage();
  await enter(page, 'inspector');
  await bookIn(page, 'box by finger', 'Five-speed box');
  const sheet = page.getByTestId('sheet');
  await expect(sheet).toBeVisible();
  const before = await notLookedAt(page);
  for (let taps = 1; taps <= 4; taps += 1) {
    await sheet.getByRole('button', { name: 'nothing to see' }).tap();
    await expect.poll(() => notLookedAt(page)).toBe(before - taps);
  }
  for (const key of await sheet
    .getByRole('group', { name: 'What is said of it' })
    .getByRole('button')
    .all()) {
    await expect(key).toBeInViewport({ ratio: 1 });
    const box = (await key.boundingBox())!;
    expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(40);
  }
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1024);
  await sheet.getByRole('button', { name: 'Only the open' }).tap();
  await expect(page.locator('[data-folded]')).toHaveCount(0);
  await page.getByTestId('profile').locator('g').last().tap();
  await expect(current(page)).toBeInViewport();
  await context.close();
});
