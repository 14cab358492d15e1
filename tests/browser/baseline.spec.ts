import AxeBuilder from '@axe-core/playwright';
import {
  bookIn,
  enter,
  everythingStored,
  expect,
  jobIdOf,
  reload,
  storedJob,
  test,
  toStation,
} from './fixtures';

test('read where it is told, by keyboard: each check goes on to the next; the pattern in words; loose bearings are said', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'axle before it moves', 'Hypoid axle head 11/41');
  await toStation(page, 'Baseline');
  const lines = page.getByTestId('baseline');
  const line = (check: string) => lines.locator(`[data-baseline="${check}"]`);
  const pad = (title: string) => lines.getByLabel(`Reading, ${title}`);
  await expect(pad('Backlash')).toBeFocused();
  let keys = 0;
  const type = async (figures: readonly string[]) => {
    for (const figure of figures) {
      await page.keyboard.type(figure);
      await page.keyboard.press('Enter');
      keys += figure.length + 1;
    }
  };
  await type(['a']);
  await expect(lines.getByRole('alert')).toContainText('is not one number');
  await page.keyboard.press('Backspace');
  // The places that are required, and it goes on by itself.
  await type(['0.24', '0.25', '0.24', '0.23']);
  await expect(pad('Back-face run-out')).toBeFocused();
  await expect(line('backlash').getByRole('img', { name: /^Beyond the limit: 0\.25/ })).toBeVisible();
  // Of a slow full turn its total is read.
  await type(['0.03']);
  await expect(line('back-face-runout')).toHaveAttribute('data-state', 'read');
  const torque = pad('Turning torque of the pinion');
  await expect(torque).toBeFocused();
  await type(['0.3']);
  await expect(line('backlash')).toContainText('it tells how it ran, not how it was set');
  const form = page.getByTestId('pattern-form');
  await expect(form).toBeVisible();
  await form.getByRole('button', { name: 'Put the pattern down' }).press('Enter');
  await expect(form.getByRole('alert')).toContainText('where does the pattern lie');
  const drive = form.getByRole('group', { name: 'drive flank' });
  await drive.getByRole('button', { name: 'at the heel' }).press('Enter');
  await form.getByRole('button', { name: 'Put the pattern down' }).press('Enter');
  await expect(form.getByRole('alert')).toContainText('three things are said');
  // A reload keeps what was said.
  await reload(page);
  await drive.getByRole('button', { name: 'half way up' }).press('Enter');
  await drive.getByRole('button', { name: 'a spot' }).press('Enter');
  await form.getByRole('button', { name: 'Put the pattern down' }).press('Enter');
  await expect(line('pattern')).toContainText('drive toward the heel, half way up, a spot');
  await expect(page.getByRole('button', { name: 'On to the strip', exact: true })).toBeVisible();
  await everythingStored(page);
  const { records, readings } = await storedJob(page, await jobIdOf(page));
  expect(readings.filter(({ value }) => value > 0.2 && value < 0.26)).toHaveLength(4);
  expect(records.map(({ content }) => content)).toMatchObject([
    { what: 'pattern-seen', drive: { length: 0.8, height: 0.5, width: 'a spot' }, bearingsLoose: false },
  ]);
  // Figures and Enter, and nothing else for what was measured.
  expect(keys).toBeLessThanOrEqual(40);
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
});

test('by finger at 1024 × 768: a figure by the pad’s keys, one that can’t be done, and on without the rest', async ({
  browser,
  shop,
}) => {
  const context = await browser.newContext({
    ...{ hasTouch: true, viewport: { width: 1024, height: 768 }, baseURL: shop.url, serviceWorkers: 'block' },
  });
  const page = await context.newPage();
  await enter(page, 'inspector');
  await bookIn(page, 'box before it moves', 'Five-speed box');
  await toStation(page, 'Baseline');
  const lines = page.getByTestId('baseline');
  await lines.getByRole('button', { name: '6', exact: true }).tap();
  await lines.getByRole('button', { name: /^Take\b.*Enter/ }).tap();
  await expect(lines.locator('[data-state="read"]')).toHaveCount(1);
  const second = lines.locator('[data-state="open"]');
  await second.getByRole('button', { name: 'Can’t be done' }).tap();
  await second.getByRole('button', { name: 'Put it down' }).tap();
  await expect(second.getByRole('alert')).toContainText('Say why it can’t be done');
  await second.getByLabel('It can’t be done because').fill('seized');
  await second.getByRole('button', { name: 'Put it down' }).tap();
  await expect(lines.locator('[data-state="cannot"]')).toContainText('can’t be done: seized');
  await page.getByRole('button', { name: 'On to the strip', exact: true }).tap();
  await page.waitForURL(/station=strip/);
  await everythingStored(page);
  await context.close();
});
