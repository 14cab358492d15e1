import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { alive, enter, everythingStored, expect, reload, test } from './fixtures';

/* Deciding: fates and plans side by side, by keyboard from graded parts to an order; orders come in and old parts go. */

const fates = (page: Page) => page.getByTestId('fates');
const plans = (page: Page) => page.getByTestId('plans');
const lane = (page: Page, objective: string) => plans(page).locator(`[data-plan="${objective}"]`);
/** By keyboard: what is in focus is pressed with Enter. */
const pressByKey = async (page: Page, name: string | RegExp) => {
  await page.getByRole('button', { name }).first().focus();
  await page.keyboard.press('Enter');
};

test('by keyboard from graded parts to an order: blocked by a count, mended, sent', async ({ page }) => {
  // Its gears were counted 11 and 43, and every set that is offered has 41.
  await enter(page, 'lead', '/jobs/442?station=decide');
  await expect(fates(page).getByRole('button', { name: /^Accept/ })).toBeVisible();
  const ring = page.locator('[data-fate-row="ring-gear"]');
  await expect(ring).toContainText('5 broken');
  await page.locator('body').press('a');
  await expect(page.getByRole('contentinfo')).toContainText('proposals are accepted');
  await expect(fates(page).getByRole('button', { name: /^Accept/ })).toHaveCount(0);
  await everythingStored(page);
  // Before anybody was asked nothing is said to be out of reach.
  await expect(lane(page, 'cost')).toContainText('Nobody has been asked yet for');
  await expect(plans(page)).not.toContainText('Can’t be had');
  await pressByKey(page, 'Ask for prices');
  await expect(page.getByTestId('suppliers')).toContainText('Ostring Gear Supply: answered');
  await expect(lane(page, 'cost')).toContainText('ring teeth: counted 43, offered 41');
  await expect(lane(page, 'cost')).toBeDisabled();

  // Counted once more it fits, and the set of one tooth more is barred and drawn.
  await page.goto('/jobs/442?station=book-in');
  await alive(page);
  await page.getByTestId('identity').getByLabel('Larger gear, teeth').fill('41');
  await page.keyboard.press('Enter');
  await everythingStored(page);
  await page.goto('/jobs/442?station=decide');
  await alive(page);
  await expect(lane(page, 'cost')).toContainText('that may be ordered exists, proved');
  await expect(page.getByTestId('barred')).toContainText('pinion teeth: counted 11, offered 12');
  await page.locator('body').press('p');
  await page.keyboard.press('2');
  await expect(lane(page, 'days')).toHaveAttribute('aria-pressed', 'true');
  const sheet = page.getByTestId('order-sheet');
  await expect(sheet).toContainText('pinion teeth 11, as counted');
  await pressByKey(page, /^Order from Ostring/);
  await expect(page.getByTestId('orders')).toContainText('Ostring Gear Supply');
  await expect(page.getByTestId('orders')).toContainText('on its way');
  await expect(sheet.locator('[data-order-to="Ostring Gear Supply"]')).toHaveCount(0);

  // What comes isn't what was ordered: it counts for nothing, goes back and is ordered again by a press each.
  const orders = page.getByTestId('orders');
  const sleeve = orders.locator('[data-order-line="Crush sleeve"]');
  await sleeve.first().getByRole('button', { name: 'It came' }).focus();
  await page.keyboard.press('Enter');
  const form = orders.locator('form');
  await form.getByLabel('Pieces counted').fill('2');
  await form.getByRole('button', { name: 'Take it in' }).click();
  await expect(form.getByRole('alert')).toContainText('is too many');
  await form.getByLabel('Pieces counted').fill('1');
  await form.getByLabel('Something else differs').fill('two grooves instead of one');
  await form.getByRole('button', { name: 'Laid beside the old part' }).click();
  await form.getByRole('button', { name: 'Take it in' }).click();
  await expect(sleeve.first()).toContainText('Not what was ordered: two grooves instead of one');
  await expect(page.getByTestId('old-parts')).toHaveCount(0);
  await sleeve.first().getByRole('button', { name: 'Send it back' }).click();
  await expect(sleeve.first()).toContainText('1 sent back');
  await sleeve.first().getByRole('button', { name: 'Order it again' }).click();
  await expect(sleeve).toHaveCount(2);
  await expect(orders.getByRole('button', { name: 'Order it again' })).toHaveCount(0);
  const again = orders
    .locator('[data-order]')
    .filter({ has: page.locator('[data-order-line="Crush sleeve"]') })
    .last();
  await again.getByRole('button', { name: /^All came/ }).click();
  await expect(sleeve.last()).toContainText('1 of 1 here, compared with the old one');
  await page.getByTestId('old-parts').getByRole('button', { name: 'To scrap' }).click();
  await expect(page.getByTestId('old-parts')).toHaveCount(0);
});

test('a key gives a part its fate: what differs asks why, what binds who takes the risk, what is barred says so; all is taken back', async ({
  page,
}) => {
  await enter(page, 'inspector', '/jobs/412?station=decide');
  const row = (id: string) => page.locator(`[data-fate-row="${id}"]`);
  await expect(row('spider-washer-lower')).toContainText('Its sister broke');
  // Nobody looked at it: it can't be kept, whoever says so.
  await row('spider-washer-lower').focus();
  await page.keyboard.press('1');
  await expect(page.getByRole('alert').filter({ hasText: 'Barred' })).toContainText('was not graded');
  await row('cross-pin').focus();
  await page.keyboard.press('5');
  const override = page.getByTestId('override');
  await expect(override).toContainText('replace instead of');
  await expect(override.getByRole('button', { name: 'Decide so' })).toBeDisabled();
  await page.keyboard.type('the owner wants it new');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-fate="replace"]')).toContainText('Cross-pin');
  await expect(page.locator('[data-fate="replace"]')).toContainText('the owner wants it new');
  // The bar that offers it has come: what is pressed before is nobody's yet.
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-fate="replace"]')).not.toContainText('Cross-pin');
  await everythingStored(page);
  await reload(page);
  await expect(page.locator('[data-fate="replace"]')).not.toContainText('Cross-pin');
});

test('whoever orders begins with what waits; of a price list a bad line is shown and the rest taken', async ({
  page,
}) => {
  await enter(page, 'parts', '/');
  await expect(page.getByRole('heading', { name: 'What waits' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Late', exact: true })).toContainText('Ostring Gear Supply');
  await expect(page.getByRole('region', { name: 'On hold' })).toContainText(
    'owner to choose repair or exchange',
  );
  const calendar = await page.request.get('/api/v1/waiting');
  expect(calendar.headers()['content-type']).toContain('text/calendar');
  await page.getByRole('link', { name: 'Prices and shelf' }).click();
  await alive(page);
  await expect(page.getByRole('table', { name: 'Shelf' })).toContainText('Cross-pin');
  await page.getByLabel('Supplier').fill('Ferro Row');
  const head = 'code;name;unit;supplies;price;currency;days;make;stock;identity';
  const good = 'FR-1;Head bearing;Hypoid axle head 11/41;Head bearing;199,50;kr;0;2;5;';
  await page.getByLabel('Or paste it').fill(`${head}\n${good}\n${good.replace('199,50', '0')}`);
  await page.getByRole('button', { name: 'Read the list in' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'line 3' })).toContainText('One line was left out');
  await expect(page.getByRole('table', { name: 'Price lists' })).toContainText(
    'Ferro RowHypoid axle head 11/411',
  );
});

test('decide, what waits, prices and how we do it pass the accessibility rules, by day and by night @full', async ({
  page,
}) => {
  await enter(page, 'lead', '/jobs/412?station=decide');
  for (const theme of ['light', 'dark'])
    for (const address of ['/jobs/412?station=decide', '/waiting', '/prices', '/ways']) {
      await page.evaluate((chosen) => localStorage.setItem('theme', chosen), theme);
      await page.goto(address);
      await alive(page);
      if (address.startsWith('/jobs')) await expect(page.getByTestId('unit-options')).toBeVisible();
      const { violations } = await new AxeBuilder({ page })
        .exclude('[data-testid="section"]')
        .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
        .analyze();
      expect(
        violations.map(
          ({ id, nodes }) => `${address} ${id}: ${nodes.map(({ html }) => html.slice(0, 140)).join(' | ')}`,
        ),
      ).toEqual([]);
    }
});

test('the days on which the shop works are set in words, and every day that is promised is counted by them', async ({
  page,
}) => {
  await enter(page, 'lead', '/ways');
  const form = page.getByRole('region', { name: 'Days and hours' });
  const closed = form.getByLabel('Days on which it is closed');
  await closed.fill('24 Dec 2026\nChristmas');
  await form.getByRole('button', { name: 'Keep these days' }).click();
  await expect(form.getByRole('alert')).toContainText('“Christmas” is no day');
  await closed.fill('24 Dec 2026\n25.12.2026');
  for (const day of ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday'])
    await form.getByRole('button', { name: day }).click();
  await form.getByRole('button', { name: 'Keep these days' }).click();
  await expect(form.getByRole('alert')).toContainText('works on one day of the week at least');
  for (const day of ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday'])
    await form.getByRole('button', { name: day }).click();
  await form.getByRole('button', { name: 'Keep these days' }).click();
  await expect(form.getByRole('status')).toContainText('Kept');
  await reload(page);
  await expect(closed).toHaveValue('24 Dec 2026\n25 Dec 2026');
});

test('how the shop does it is set once and holds on every job; a job may go its own way', async ({
  page,
}) => {
  await enter(page, 'lead', '/ways');
  await page
    .getByRole('group', { name: 'Sound bearings' })
    .getByRole('button', { name: /are renewed/ })
    .click();
  await expect(page.getByRole('status').filter({ hasText: 'Kept' })).toBeVisible();
  await page.goto('/jobs/412?station=decide');
  await alive(page);
  await expect(page.locator('[data-fate="replace"]')).toContainText('Tail bearing');
  const policies = page.getByTestId('policies');
  await policies.getByRole('button', { name: 'How it is done here' }).click();
  await policies.getByLabel('Which way').selectOption({ label: 'run on' });
  await policies.getByLabel('Why on this job').fill('they are a year old');
  await policies.getByRole('button', { name: 'On this job' }).click();
  await expect(policies).toContainText('Sound bearings run on on this job: they are a year old');
  await expect(page.locator('[data-fate="replace"]')).not.toContainText('Tail bearing');
  // The shop's own way again: the tests that share this shop begin as it was.
  await page.goto('/ways');
  await alive(page);
  await page.getByRole('group', { name: 'Sound bearings' }).getByRole('button', { name: 'run on' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Kept' })).toBeVisible();
});
