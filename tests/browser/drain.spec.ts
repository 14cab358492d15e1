import AxeBuilder from '@axe-core/playwright';
import {
  alive,
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

const oilOf = async (page: Parameters<typeof storedJob>[0]) =>
  (await storedJob(page, await jobIdOf(page))).records
    .map(({ content }) => content as Record<string, unknown>)
    .filter(({ what }) => what === 'drained' || what === 'debris' || what === 'match');

test('drained by keyboard: the can, its colour and glitter; a piece is linked as likely and stays open until it is proved', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'box to drain', 'Five-speed box');
  await toStation(page, 'Drain');
  const drain = page.getByTestId('drain');
  const can = drain.getByRole('slider', { name: /^The can/ });
  await expect(can).toBeVisible();
  // A level by its keys: sixteen tenths, six of them in the can itself.
  for (let press = 0; press < 10; press += 1) await page.keyboard.press('+');
  await can.focus();
  for (let press = 0; press < 6; press += 1) await page.keyboard.press('ArrowUp');
  await expect(drain.getByRole('heading', { name: /^1\.2 litres short/ })).toBeVisible();
  await page.keyboard.press('3');
  await page.keyboard.press('g');
  await page.keyboard.press('y');
  await expect(
    drain.getByRole('group', { name: 'Colour' }).getByRole('button', { name: 'brown' }),
  ).toHaveAttribute('aria-pressed', 'true');
  // What was said outlives a reload before it is set down.
  await reload(page);
  await expect(drain.getByRole('heading', { name: /^1\.2 litres short/ })).toBeVisible();
  for (const [group, word] of [
    ['The unit came', 'open'],
    ['Smells', 'as oil'],
    ['Water', 'none'],
    ['On the magnet', 'paste'],
  ] as const)
    await drain.getByRole('group', { name: group }).getByRole('button', { name: word }).press('Enter');
  await expect(drain.getByRole('heading', { name: /short can’t be told/ })).toBeVisible();
  await drain
    .getByRole('group', { name: 'The unit came' })
    .getByRole('button', { name: 'closed and level' })
    .press('Enter');
  await drain.getByRole('button', { name: 'Set it down' }).press('Enter');
  await expect(drain.getByRole('button', { name: 'Put it down again' })).toBeVisible();

  const debris = page.getByTestId('debris');
  await page.locator('body').press('d');
  await expect(debris.getByLabel('A piece that was found')).toBeFocused();
  await page.keyboard.type('Corner of a tooth');
  await debris
    .getByRole('group', { name: 'Colour of the piece' })
    .getByRole('button', { name: 'grey' })
    .press('Enter');
  await debris.getByLabel('Length, mm').fill('a few');
  await page.keyboard.press('Enter');
  await expect(debris.getByRole('alert')).toContainText('“a few” is no figure');
  await debris.getByLabel('Length, mm').fill('6');
  await page.keyboard.press('Enter');
  const row = debris.getByRole('button', { name: /^Corner of a tooth/ });
  await expect(row).toContainText('Nothing accounts for it yet');
  await row.press('Enter');
  const place = page.getByTestId('show-place');
  await place.getByLabel('or another part').selectOption({ label: '3rd gear' });
  await place.getByRole('button', { name: 'It is from there' }).press('Enter');
  await expect(place.getByRole('alert')).toContainText('How sure is that?');
  await place.getByRole('button', { name: /^likely/ }).press('Enter');
  await place.getByRole('button', { name: 'It is from there' }).press('Enter');
  await expect(row).toContainText('Likely from 3rd gear');
  // It closes once this device has it; a press before that would close it, and not open it again.
  await expect(place).toHaveCount(0);
  await expect(debris.locator('[data-link]')).toHaveCount(1);
  // Only what is proved closes it.
  await expect(page.getByRole('navigation', { name: 'Stations' })).toContainText('Drain1 open');
  await row.press('Enter');
  await place.getByRole('button', { name: /^proved/ }).press('Enter');
  await place.getByRole('button', { name: 'It is from there' }).press('Enter');
  await expect(debris).toContainText('closed');
  await expect(page.getByRole('navigation', { name: 'Stations' })).toContainText('Draindone');
  await everythingStored(page);
  expect(await oilOf(page)).toMatchObject([
    {
      what: 'drained',
      litres: 1.6,
      colour: 'brown',
      glitter: 'grey and yellow',
      magnet: ['paste'],
      cameAs: 'closed and level',
    },
    { what: 'debris', piece: 'Corner of a tooth', colour: 'grey', lengthMm: 6 },
    { what: 'match', sure: 'likely' },
    { what: 'match', sure: 'proved' },
  ]);
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
});

// Full run only: the keyboard’s test fills the same can; sizes of keys change seldom.
test('drained by finger at 1024 × 768: the level is drawn in the can, every key is large enough @full', async ({
  browser,
  shop,
}) => {
  const context = await browser.newContext({
    ...{ hasTouch: true, viewport: { width: 1024, height: 768 }, baseURL: shop.url, serviceWorkers: 'block' },
  });
  const page = await context.newPage();
  await enter(page, 'inspector');
  await bookIn(page, 'box to drain by finger', 'Hypoid axle head 11/41');
  await toStation(page, 'Drain');
  await alive(page);
  const drain = page.getByTestId('drain');
  for (const key of await drain.getByRole('button').all()) {
    const box = (await key.boundingBox())!;
    expect(Math.min(box.width, box.height), await key.innerText()).toBeGreaterThanOrEqual(43.9);
  }
  const can = drain.getByRole('slider', { name: /^The can/ });
  const box = (await can.boundingBox())!;
  await page.touchscreen.tap(box.x + box.width * 0.3, box.y + box.height * 0.55);
  // 2.1 litres belong in it, and the can shows 1.12 times as much from its floor to its top.
  const now = Number(await can.getAttribute('aria-valuenow'));
  expect(now).toBeGreaterThan(0.8);
  expect(now).toBeLessThan(1.3);
  await drain.getByRole('button', { name: 'A tenth of a litre more' }).tap();
  await expect(can).toHaveAttribute('aria-valuenow', String(Math.round((now + 0.1) * 10) / 10));
  for (const [group, word] of [
    ['The unit came', 'closed and level'],
    ['Colour', 'milky'],
    ['Glitters', 'none'],
    ['Smells', 'as oil'],
    ['Water', 'cloudy'],
    ['On the magnet', 'nothing'],
  ] as const)
    await drain.getByRole('group', { name: group }).getByRole('button', { name: word, exact: true }).tap();
  await drain.getByRole('button', { name: 'Set it down' }).tap();
  await expect(drain.getByRole('button', { name: 'Put it down again' })).toBeVisible();
  await everythingStored(page);
  expect(await oilOf(page)).toMatchObject([
    { what: 'drained', colour: 'milky', water: 'cloudy', magnet: ['nothing'] },
  ]);
  await context.close();
});
