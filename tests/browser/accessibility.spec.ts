import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { test as base, enter, expect } from './fixtures';

/** One page a worker reads them all, one after the other: what a fresh browser loads anew each time is not what is looked at here. */
const test = base.extend<object, { reader: Page }>({
  reader: [
    async ({ browser, shop }, use) => {
      const context = await browser.newContext({
        baseURL: shop.url,
        viewport: { width: 1280, height: 800 },
        reducedMotion: 'reduce',
        serviceWorkers: 'block',
      });
      await context.addInitScript(() => localStorage.setItem('theme', 'light'));
      await use(await context.newPage());
      await context.close();
    },
    { scope: 'worker' },
  ],
  page: async ({ reader }, use) => use(reader),
});

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
  ['power', '/jobs/409?gear=3'],
  ['gauges', '/gauges'],
  ['gauge studies', '/gauges/studies'],
  ['limits', '/limits'],
  ['unit types', '/unit-types'],
  ['a unit type, described', '/unit-types/ostrevik-w3'],
  ['rules of grading', '/grade-rules'],
  ['own words', '/damage-words'],
  ['the network of causes', '/cause-network'],
  ['second look', '/second-look'],
  ['learn to grade', '/training'],
  ['a limit sheet', '/limits/torvane-hx41'],
  ['ratio and identity', '/jobs/412?station=book-in'],
  ['book in', '/book-in'],
  ['drain', '/jobs/409?station=drain'],
  ['baseline', '/jobs/409?station=baseline'],
  ['strip', '/jobs/426?station=strip'],
  ['cause', '/jobs/412?station=cause'],
  ['decide', '/jobs/412?station=decide'],
  ['rebuild', '/jobs/412?station=rebuild'],
  ['hand over', '/jobs/398?station=hand-over'],
  ['a unit nobody described', '/jobs/417'],
  ['the letter', '/jobs/398/reports/1'],
] as const;
/** Paper is the same in both shifts. */
const SHEETS = [
  ['all unit types', '/type-sheet'],
  ['the section for paper', '/jobs/412/section?gear=Drive'],
] as const;

const RULES = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'];
/** Beyond the standard's own rules. */
const GOOD_PRACTICE = { 'page-has-heading-one': { enabled: true }, 'empty-table-header': { enabled: true } };

/** Nothing may run out of the screen sideways. */
const widthNeeded = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth);

/** Drawings that stand as they do on the section's own page, where they are looked at: many thousand elements each. */
const SECTION = '[data-testid="section"]';
const DRAWN_ELSEWHERE: Partial<Record<string, string>> = Object.fromEntries(
  [
    ...['power', 'all unit types', 'ratio and identity', 'drain', 'baseline', 'strip', 'cause', 'decide'],
    ...['rebuild', 'hand over', 'a ticket, decide', 'a ticket, pictures', 'a series'],
  ].map((name) => [name, SECTION]),
);
/** Between them they show what every other page is made of: drawing, ticket, sheet, ruler, table, form. */
const BY_NIGHT = new Set(['the rack', 'the section', 'a ticket, measure', 'cause', 'book in']);
/** Many thousand elements: by the longest run only. */
const LONG = new Set(['power', 'all unit types']);

/**
 * A builder whose answer lists what is wrong only; which rules are asked is chosen after. Its older mode works in the page
 * itself, where the newer one opens another page for each look: there are no frames here that would need that.
 */
const asked = (page: Page, name: string) => {
  const rules = new AxeBuilder({ page })
    .options({ resultTypes: ['violations'], rules: GOOD_PRACTICE })
    .setLegacyMode();
  const elsewhere = DRAWN_ELSEWHERE[name];
  return elsewhere ? rules.exclude(elsewhere) : rules;
};

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
  test(`${name}: passes the accessibility rules in both shifts and fits its screen${LONG.has(name) ? ' @full' : ''}`, async ({
    page,
  }) => {
    await page.setViewportSize({ width: 1280, height: 800 });
    await enter(page, 'lead', url);
    await expect(page.locator('h1, h2').first()).toBeVisible();
    for (const width of [1280, 1920, 1024]) {
      await page.setViewportSize({ width, height: 800 });
      await expect.poll(() => widthNeeded(page), { message: `at ${width}` }).toBeLessThanOrEqual(width);
    }
    // High enough that nothing lies half under the bar at the foot: that is where the page happens to be scrolled to.
    await page.setViewportSize({ width: 1024, height: 4200 });
    expect(await faultsOf(asked(page, name).withTags(RULES)), 'day').toEqual([]);
    if (SHEETS.some(([paper]) => paper === name)) return;
    // The night shift has other colours and the same everything else: every page by the longest run, the fullest always.
    if (!process.env.STEREOTOME_FULL && !BY_NIGHT.has(name)) return;
    await toNight(page);
    expect(await faultsOf(asked(page, name).withRules('color-contrast')), 'night').toEqual([]);
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
