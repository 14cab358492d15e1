import type { Page } from '@playwright/test';
import { STATIONS } from '@/model/job';
import { alive, bookIn, enter, everythingStored, expect, openTicket, test, toStation } from './fixtures';

const heightOfHeader = async (page: Page) => (await page.getByRole('banner').boundingBox())!.height;
const within = async (width: number, what: ReturnType<Page['locator']>) => {
  const box = (await what.boundingBox())!;
  return box.x >= 0 && box.x + box.width <= width;
};

test('the head is 100 px with the longest words, and keeps plate, date and pin; the run shows where one stands @full', async ({
  page,
}) => {
  await enter(page, 'lead');
  await bookIn(page, 'dumper 7, the one with the long body, the second winch and the newer cab');
  await page.getByRole('button', { name: 'Hold: none' }).click();
  const hold = page.getByTestId('hold-panel');
  await hold
    .getByLabel('It waits for')
    .fill(
      'the crack test of the rear output shaft, which the yard in the next valley does on every second Thursday',
    );
  await hold.getByLabel('Expected by').fill('30 nov');
  await hold.getByRole('button', { name: 'Put it on hold' }).click();
  await expect(page.getByRole('button', { name: /^On hold: the crack test/ })).toBeVisible();
  await everythingStored(page);
  await page.keyboard.press('Escape');
  await expect(hold).toHaveCount(0);
  for (const width of [1280, 1024, 390]) {
    await page.setViewportSize({ width, height: 800 });
    // Every station where there is least room; where there is more, the first, the middle and the last.
    for (const { id, name } of STATIONS.filter((_, at) => width === 390 || at % 4 === 0)) {
      await toStation(page, name);
      const here = page.locator(`[data-station="${id}"]`);
      await expect(here.locator('[aria-current="step"]')).toBeVisible();
      await expect.poll(() => heightOfHeader(page), `${name} at ${width}`).toBe(100);
      await expect.poll(() => within(width, here), `${name} in sight at ${width}`).toBe(true);
    }
    const head = page.getByRole('banner');
    for (const kept of [
      head.getByRole('img', { name: /^peg \d+$/ }),
      head.getByText('15 Jan 2030'),
      head.getByRole('img', { name: 'on hold' }).first(),
    ])
      expect(await within(width, kept), `kept at ${width}`).toBe(true);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
  }
  // What is narrow lies under one key.
  await page.getByRole('button', { name: 'More keys' }).click();
  await expect(page.getByRole('dialog', { name: 'More keys' }).getByTestId('waiting-uploads')).toBeVisible();
});

/** Words of the page that stand on two lines, though their parts belong together. */
const brokenWords = (page: Page) =>
  page.evaluate(() => {
    const broken = new Set<string>();
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (walker.nextNode()) {
      const text = walker.currentNode;
      const holder = text.parentElement;
      if (!holder || holder.closest('script, style, svg') || holder.getClientRects().length === 0) continue;
      for (const word of (text.textContent ?? '').matchAll(/\p{L}{4,}/gu)) {
        const range = document.createRange();
        range.setStart(text, word.index);
        range.setEnd(text, word.index + word[0].length);
        const tops = [...range.getClientRects()]
          .filter(({ width }) => width > 0)
          .map(({ top }) => Math.round(top));
        if (new Set(tops).size > 1) broken.add(word[0]);
      }
    }
    return [...broken];
  });

/** A job opened on a phone or a tablet held upright. */
const openedNarrow = async (page: Page, station: string) => {
  const told: string[] = [];
  for (const [width, height] of [
    [390, 800],
    [820, 1100],
  ] as const) {
    await page.setViewportSize({ width, height });
    await page.goto(`/jobs/409?station=${station}`);
    await alive(page);
    const at = await page.evaluate(() => [window.scrollY, document.documentElement.scrollWidth - innerWidth]);
    const words = await brokenWords(page);
    if (at[0] !== 0 || at[1]! > 0 || words.length > 0)
      told.push(`${station} at ${width}: begins ${at[0]} px down, ${at[1]} px too wide, ${words.join(', ')}`);
  }
  return told;
};

test('on a phone the sheet of a box with 42 parts begins at its top, fits, and breaks no word', async ({
  page,
}) => {
  await enter(page, 'lead');
  expect(await openedNarrow(page, 'grade')).toEqual([]);
});

// Full run only: eighteen pages; the longest sheet stands for them in the quick run.
test('on a phone every station begins at its top, fits, and breaks no word @full', async ({ page }) => {
  test.info().annotations.push({
    type: 'Full run only',
    description: 'eighteen pages; the sheet stands for them in the quick run',
  });
  await enter(page, 'lead');
  const told: string[] = [];
  for (const { id } of STATIONS) told.push(...(await openedNarrow(page, id)));
  expect(told).toEqual([]);
});

test('by keyboard: along and between the shafts, into a ticket and back to where it was opened, on to the next open part', async ({
  page,
}) => {
  await enter(page, 'inspector');
  await bookIn(page, 'harrow by keyboard', 'Five-speed box');
  await page.getByRole('button', { name: 'Section', exact: true }).click();
  const section = page.getByTestId('section');
  await expect(section.locator('[data-label]').first()).toBeVisible();
  const focused = () => page.evaluate(() => document.activeElement?.getAttribute('data-position') ?? '');
  await section.locator('[data-position][tabindex="0"]').focus();
  const first = await focused();
  await page.keyboard.press('ArrowRight');
  const second = await focused();
  expect(second).not.toBe(first);
  await page.keyboard.press('ArrowDown');
  const below = await focused();
  expect([first, second]).not.toContain(below);
  await page.keyboard.press('Enter');
  const ticket = page.getByRole('complementary');
  await expect(ticket).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(ticket).toHaveCount(0);
  expect(await focused()).toBe(below);
  await page.keyboard.press('n');
  await expect(ticket).toBeVisible();
  await page.keyboard.press('Shift+?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText(
    'on a ticket, the next that is open',
  );
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toHaveCount(0);
  await expect(ticket).toBeVisible();
});

test('all teeth asked for, the next key is a figure', async ({ page }) => {
  await enter(page, 'inspector');
  await bookIn(page, 'harrow of all teeth');
  await openTicket(page, 'Ring gear');
  await page.getByRole('tab', { name: 'Measure' }).click();
  await page
    .getByRole('tabpanel')
    .getByRole('button', { name: /^Backlash/ })
    .click();
  await page.getByRole('button', { name: /^Read all 41/ }).click();
  await page.keyboard.type('0.2');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('place')).toHaveText('tooth 2');
});

/** Kilobytes of every script, packed, that is asked for before the page says for the last time that it lives. */
async function weightOf(page: Page, path: string): Promise<number> {
  await page.goto(path);
  await page.locator('html[data-alive]:not(:has([data-loading]))').waitFor({ state: 'attached' });
  return page.evaluate(async () => {
    const alive = performance.getEntriesByName('alive').at(-1)!.startTime;
    const asked = performance
      .getEntriesByType('resource')
      .filter(({ name, startTime }) => startTime < alive && new URL(name).pathname.endsWith('.js'))
      .map(({ name }) => name);
    let bytes = 0;
    for (const url of new Set(asked)) {
      const packed = (await fetch(url)).body!.pipeThrough(new CompressionStream('gzip'));
      bytes += (await new Response(packed).arrayBuffer()).byteLength;
    }
    return bytes / 1000;
  });
}

test('a page weighs little before it lives: the missing one, the rack, a job', async ({ page }) => {
  await enter(page, 'inspector');
  const missing = await weightOf(page, '/none-such');
  const rack = await weightOf(page, '/');
  const job = await weightOf(page, '/jobs/412');
  expect(missing).toBeLessThanOrEqual(205);
  expect(rack).toBeLessThanOrEqual(205 + 40);
  expect(job).toBeLessThanOrEqual(205 + 110);
  expect(Math.min(missing, rack, job), 'scripts were heard of').toBeGreaterThan(100);
});

test('any unit is found by the beginnings of its words, a day leads to its units, the list sorts by its heads', async ({
  page,
}) => {
  await enter(page, 'lead');
  await page.goto('/');
  await alive(page);
  await page.keyboard.press('/');
  await page.keyboard.type('hyp ska');
  const found = page.getByRole('region', { name: 'Found' });
  await expect(found.getByRole('link', { name: /^Peg 412,/ })).toBeVisible();
  await page.getByLabel('Find a unit').fill('sno gro');
  await expect(found.getByRole('link')).toHaveCount(1);
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/jobs\/421/);
  await page.goto('/');
  await alive(page);
  await page.getByRole('button', { name: 'Show as a list' }).click();
  const pegs = () =>
    page
      .locator('tbody tr td:first-child')
      .evaluateAll((cells) => cells.map((cell) => Number(cell.textContent)));
  await page.getByRole('columnheader', { name: 'Peg' }).getByRole('button').click();
  const up = await pegs();
  expect(up).toEqual([...up].sort((a, b) => a - b));
  await page.getByRole('columnheader', { name: 'Peg' }).getByRole('button').click();
  expect(await pegs()).toEqual([...up].reverse());
  await page.getByRole('group', { name: 'Dates' }).getByRole('button').last().click();
  await expect(page.getByRole('button', { name: 'From the first that is due' })).toBeVisible();
  expect((await pegs()).length).toBeLessThan(up.length);
});
