import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { enter, expect, test } from './fixtures';

const PAGES = [
  ['the door', '/sign-in'],
  ['the rack', '/'],
  ['the section', '/jobs/412'],
  ['a ticket, look', '/jobs/412?part=head-bearing'],
  ['a ticket, measure', '/jobs/412?part=cross-pin&face=measure'],
  ['a ticket, pictures', '/jobs/412?part=ring-gear&face=picture'],
  ['a ticket, decide', '/jobs/412?part=ring-gear&face=decide'],
  ['a series', '/jobs/412?part=ring-gear&face=measure&check=backlash'],
  ['repeats and two ways', '/jobs/409?part=cluster&face=measure'],
  ['photographs', '/jobs/412?photographs=all'],
  ['patterns on a ticket', '/jobs/412?part=ring-gear&face=picture'],
  ['power', '/jobs/409?gear=3'],
  ['gauges', '/gauges'],
  ['gauge studies', '/gauges/studies'],
  ['limits', '/limits'],
  ['unit types', '/unit-types'],
  ['a unit type, described', '/unit-types/ostrevik-w3'],
  ['a limit sheet', '/limits/torvane-hx41'],
  ['ratio and identity', '/jobs/412?station=book-in'],
  ['book in', '/book-in'],
  ['drain', '/jobs/409?station=drain'],
  ['baseline', '/jobs/409?station=baseline'],
  ['strip', '/jobs/426?station=strip'],
  ['cause', '/jobs/412?station=cause'],
  ['decide', '/jobs/412?station=decide'],
  ['hand over', '/jobs/398?station=hand-over'],
  ['the letter', '/jobs/398/reports/1'],
] as const;
/** Paper is the same in both shifts. */
const SHEETS = [
  ['all unit types', '/type-sheet'],
  ['the section for paper', '/jobs/412/section?gear=Drive'],
] as const;

const RULES = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'];

/** Nothing may run out of the screen sideways. */
const widthNeeded = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth);

/**
 * A builder whose answer lists what is wrong only; which rules are asked is chosen after. Its older mode works in the page
 * itself, where the newer one opens another page for each look: there are no frames here that would need that.
 */
const asked = (page: Page) =>
  new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode();

const faultsOf = async (rules: AxeBuilder): Promise<string[]> =>
  (await rules.analyze()).violations.flatMap(({ id, nodes }) =>
    nodes.map(({ html }) => `${id}: ${html.slice(0, 140)}`),
  );

/** The other shift, as the person's menu sets it: kept on the device, and heard by the page from there. */
const toNight = async (page: Page) => {
  await page.evaluate(() => {
    localStorage.setItem('theme', 'dark');
    window.dispatchEvent(new StorageEvent('storage', { key: 'theme', newValue: 'dark' }));
  });
  await expect(page.locator('html')).toHaveClass(/dark/);
};

for (const [name, url] of [...PAGES, ...SHEETS]) {
  test(`${name}: passes the accessibility rules in both shifts and fits its screen`, async ({ page }) => {
    await page.addInitScript(() => localStorage.setItem('theme', 'light'));
    await enter(page, 'lead', url);
    await expect(page.locator('h1, h2').first()).toBeVisible();
    for (const width of [1024, 1920, 1280]) {
      await page.setViewportSize({ width, height: 800 });
      expect(await widthNeeded(page), `at ${width}`).toBeLessThanOrEqual(width);
    }
    expect(await faultsOf(asked(page).withTags(RULES)), 'day').toEqual([]);
    if (SHEETS.some(([paper]) => paper === name)) return;
    // The night shift has other colours and the same everything else.
    await toNight(page);
    expect(await faultsOf(asked(page).withRules('color-contrast')), 'night').toEqual([]);
  });
}

test('letter and door fit a phone of 320 px', async ({ page }) => {
  await enter(page, 'lead');
  await page.setViewportSize({ width: 320, height: 700 });
  for (const url of ['/sign-in', '/jobs/398/reports/1']) {
    await page.goto(url);
    expect(await widthNeeded(page), url).toBeLessThanOrEqual(320);
  }
});
