import type { Page } from '@playwright/test';
import { alive, enter, expect, test, toStation } from './fixtures';
import { toTool } from './pictureDesk';

/* What reckons beside the page: sounds, causes, pictures. One after the other in one page, each must find its own worker. */

const BESIDE = {
  sound: async (page: Page) => {
    await toStation(page, 'Baseline');
    await page.getByRole('button', { name: /^Noise: .* recording/ }).click();
    const one = page.getByTestId('one-recording').first();
    await expect(one.getByTestId('order-chart')).toBeVisible();
    await expect(page.getByTestId('sound-desk')).not.toContainText('can’t be read');
  },
  causes: async (page: Page) => {
    await toStation(page, 'Cause');
    await expect(page.locator('[data-cause-row]').first()).toBeVisible();
    await expect(page.locator('main')).not.toContainText('can’t be');
  },
  imaging: async (page: Page) => {
    await page.getByRole('button', { name: /^Photographs \d/ }).click();
    await page.getByRole('button', { name: 'Open pattern-drive.jpg' }).click();
    await toTool(page, 'Pattern, pits');
    await page.getByRole('button', { name: 'Measure', exact: true }).click();
    await expect(page.getByTestId('measured')).toBeVisible();
  },
} as const;
type Beside = keyof typeof BESIDE;

/** Every order, all of them by the longest run; in each run two, where the device keeps the files: there they were mixed up. */
const ORDERS: readonly (readonly Beside[])[] = [
  ['sound', 'causes', 'imaging'],
  ['imaging', 'causes', 'sound'],
  ['sound', 'imaging', 'causes'],
  ['causes', 'sound', 'imaging'],
  ['causes', 'imaging', 'sound'],
  ['imaging', 'sound', 'causes'],
];

for (const kept of ['without', 'with'] as const)
  test.describe(`${kept} the bench’s own worker`, () => {
    // A context of its own: nothing that an earlier test loaded lies in it.
    test.use({ serviceWorkers: kept === 'with' ? 'allow' : 'block' });
    for (const [at, order] of ORDERS.entries())
      test(`${order.join(', then ')}: each gets its own answer${at > 1 || kept === 'without' ? ' @full' : ''}`, async ({
        browser,
        shop,
        page: signedIn,
      }) => {
        await enter(signedIn, 'lead');
        const context = await browser.newContext({
          ...{ baseURL: shop.url, viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' },
          serviceWorkers: kept === 'with' ? 'allow' : 'block',
        });
        await context.addCookies(await signedIn.context().cookies());
        const page = await context.newPage();
        await page.goto('/jobs/412');
        await alive(page);
        if (kept === 'with')
          await page.locator('[data-whole="kept"]').waitFor({ state: 'attached', timeout: 120_000 });
        for (const each of order) await BESIDE[each](page);
        await context.close();
      });
  });
