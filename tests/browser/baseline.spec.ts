import fs from 'node:fs';
import path from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { baselineChecks } from '@/core/strip/baseline';
import type { UnitType } from '@/model/unitType';
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

test('read where it is told, by keyboard: Enter alone goes on to the next check; the pattern in words; loose bearings are said', async ({
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
  // The places that are required; a repeat would still be of this check. Nothing typed and taken goes on.
  await type(['0.24', '0.25', '0.24', '0.23']);
  await expect(pad('Backlash')).toBeFocused();
  await type(['']);
  await expect(pad('Back-face run-out')).toBeFocused();
  await expect(line('backlash').getByRole('img', { name: /^Beyond the limit: 0\.25/ })).toBeVisible();
  // Of a slow full turn its total is read.
  await type(['0.03', '']);
  await expect(line('back-face-runout')).toHaveAttribute('data-state', 'read');
  const torque = pad('Turning torque of the pinion');
  await expect(torque).toBeFocused();
  await type(['0.3', '']);
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
  await lines.getByRole('button', { name: /^Next check/ }).tap();
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

/* Nothing typed for one check may land in another: every figure says of which check it is. */

const TYPES = path.join(import.meta.dirname, '../../src/catalog/unit-types');
const SHIPPED = fs
  .readdirSync(TYPES)
  .filter((name) => name.endsWith('.json'))
  .map((name) => JSON.parse(fs.readFileSync(path.join(TYPES, name), 'utf8')) as UnitType);

/** What is typed for each check that must come before the strip: as many figures as it has places, in thousandths its number. */
function planOf(type: UnitType) {
  return baselineChecks({ unitType: type, readings: [], records: [] }).map(({ check, position }, at) => {
    const { aim, max, min } = check.limits[0] ?? {};
    const usual = check.typical ? (check.typical.from + check.typical.to) / 2 : 0.1;
    const value = Math.floor(10 * (aim ?? max ?? min ?? usual)) / 10;
    const figure = (value + (at + 1) / 1000).toFixed(3);
    return { check, position, figures: (check.places ?? ['']).map(() => figure) };
  });
}

for (const type of SHIPPED.filter((each) => planOf(each).length > 0))
  for (const delay of [0, 120]) {
    const often = delay === 0 && ['torvane-hx41', 'skell-five'].includes(type.id);
    test(`typed ahead through every check of ${type.id}, ${delay} ms a key: each figure lands in its own${often ? '' : ' @full'}`, async ({
      page,
    }) => {
      const plan = planOf(type);
      await enter(page, 'inspector');
      await bookIn(page, `typed ahead, ${type.id}`, { unitTypeId: type.id, unitFamily: type.family });
      await toStation(page, 'Baseline');
      await expect(page.getByTestId('baseline').getByLabel(/^Reading, /)).toBeFocused();
      await page.keyboard.type(plan.map(({ figures }) => `${figures.join('\n')}\n\n`).join(''), { delay });
      await everythingStored(page);
      const { readings } = await storedJob(page, await jobIdOf(page));
      const told = readings.map(({ positionId, checkId, place, raw }) =>
        [positionId, checkId, place, raw].join(' '),
      );
      const meant = plan.flatMap(({ check, position, figures }) =>
        figures.map((raw, at) => [position.id, check.id, check.places?.[at] ?? '', raw].join(' ')),
      );
      expect(told.sort()).toEqual(meant.sort());
    });
  }

test('all round means all: forty-one teeth are read before another check comes into hand', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'axle all round');
  await toStation(page, 'Baseline');
  await page.getByRole('button', { name: 'Read all 41, round the part' }).click();
  // One figure for each tooth; where the required four are behind, the next is still a tooth.
  await page.keyboard.type(Array.from({ length: 41 }, (_, tooth) => `0.2${String(tooth + 10)}\n`).join(''));
  await expect(page.getByTestId('baseline').getByLabel('Reading, Backlash')).toBeFocused();
  await everythingStored(page);
  const { readings } = await storedJob(page, await jobIdOf(page));
  expect(readings.every(({ checkId }) => checkId === 'backlash')).toBe(true);
  expect(readings.map(({ place, raw }) => [place, raw])).toEqual(
    Array.from({ length: 41 }, (_, tooth) => [`tooth ${tooth + 1}`, `0.2${String(tooth + 10)}`]),
  );
});
