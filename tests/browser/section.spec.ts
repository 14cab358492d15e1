import type { Page } from '@playwright/test';
import { enter, expect, test } from './fixtures';

const UNITS = [
  { peg: 412, name: 'the hypoid axle', tag: '' },
  { peg: 409, name: 'the five-speed box', tag: ' @full' },
];

const overlapping = (page: Page) =>
  page.locator('[data-label]').evaluateAll((labels) => {
    const boxes = labels.map((label) => ({
      name: label.getAttribute('data-label'),
      box: label.getBoundingClientRect(),
    }));
    return boxes.flatMap((a, index) =>
      boxes
        .slice(index + 1)
        .filter(
          (b) =>
            a.box.left < b.box.right &&
            b.box.left < a.box.right &&
            a.box.top < b.box.bottom &&
            b.box.top < a.box.bottom,
        )
        .map((b) => `${a.name} / ${b.name}`),
    );
  });

for (const { peg, name, tag } of UNITS) {
  test(`the section of ${name}: no label on another at any width, every piece by keyboard and by pointer${tag}`, async ({
    page,
  }) => {
    await page.setViewportSize({ width: 1024, height: 800 });
    await enter(page, 'lead', `/jobs/${peg}?show=section`);
    const section = page.getByTestId('section');
    await expect(section.locator('[data-label]').first()).toBeVisible();
    const drawing = section.locator('svg').first();
    for (const width of [1024, 1280]) {
      const narrow = (await drawing.boundingBox())!.width;
      await page.setViewportSize({ width, height: 800 });
      if (width > 1024) await expect.poll(async () => (await drawing.boundingBox())!.width).not.toBe(narrow);
      expect(await overlapping(page), `at ${width}`).toEqual([]);
      await everyPieceByPointer(page);
    }

    // By keyboard: one stop for Tab, then arrows until every piece has had the focus.
    const pieces = await section
      .locator('[data-position]')
      .evaluateAll((all) => all.map((piece) => piece.getAttribute('data-position') ?? ''));
    await page.evaluate(() => {
      const seen: string[] = [];
      Object.assign(window, { seen });
      document.addEventListener('focusin', ({ target }) =>
        seen.push((target as Element).getAttribute('data-position') ?? ''),
      );
    });
    await section.locator('[data-position][tabindex="0"]').focus();
    for (let step = 1; step < pieces.length; step += 1) await page.keyboard.press('ArrowRight');
    const seen = await page.evaluate(() => (window as unknown as { seen: string[] }).seen);
    expect([...new Set(seen)].sort()).toEqual([...pieces].sort());
  });
}

/** A tap on the dot of a label opens that piece, or fans it out among its neighbours. */
async function everyPieceByPointer(page: Page): Promise<void> {
  const section = page.getByTestId('section');
  const drawing = section.locator('svg').first();
  const dots = await section
    .locator('[data-dot]')
    .evaluateAll((all) => all.map((dot) => dot.getAttribute('data-dot') ?? ''));
  const whole = (await drawing.boundingBox())?.width;
  for (const id of dots.slice(0, 6)) {
    // The drawing takes its full width again after a ticket was closed.
    await expect.poll(async () => (await drawing.boundingBox())?.width).toBe(whole);
    const dot = await section.locator(`[data-dot="${id}"]`).boundingBox();
    const origin = await drawing.boundingBox();
    if (!dot || !origin) throw new Error(`${id} is not drawn`);
    await drawing.click({
      position: { x: dot.x + dot.width / 2 - origin.x, y: dot.y + dot.height / 2 - origin.y },
    });
    const title = await section.locator(`[data-position="${id}"]`).getAttribute('aria-label');
    const word = (title ?? '').split(/, (?:\d |not looked)/)[0] ?? '';
    const fan = page.getByRole('group', { name: 'Which part?' });
    const ticket = page.getByRole('complementary', { name: `Ticket of ${word}` });
    // One of the two comes: the ticket at once, or the neighbours fanned out with this part among them.
    await expect(fan.or(ticket)).toBeVisible();
    if ((await ticket.count()) === 0) await fan.getByRole('button', { name: word }).first().click();
    await expect(ticket).toBeVisible();
    await page.getByRole('button', { name: 'Close the ticket' }).click();
  }
}

test('the same parts stand in the list, and the switch goes by key', async ({ page }) => {
  await enter(page, 'lead', '/jobs/409');
  const drawn = await page.getByTestId('section').locator('[data-position]').count();
  await page.keyboard.press('l');
  await expect(page.getByTestId('part-list').getByRole('listitem')).toHaveCount(drawn);
});

test('a gear is engaged on the drawing: power, ratio, suspects, orders; neutral and a suspect’s ticket', async ({
  page,
}) => {
  await enter(page, 'inspector', '/jobs/409');
  const gears = page.getByRole('group', { name: 'Gear engaged on the drawing' });
  await gears.getByRole('button', { name: '3', exact: true }).click();
  const panel = page.getByTestId('power-panel');
  await expect(panel).toContainText('3, drive: ratio 1.600');
  await expect(page.getByTestId('power').locator('[data-mesh="loaded"]')).toHaveCount(2);
  await expect(page.getByTestId('power').locator('[data-lit="gear-3"]').first()).toBeAttached();
  await expect(page.getByTestId('power').locator('[data-lit="gear-2"]')).toHaveCount(0);
  await expect(panel.getByRole('row', { name: /Main shaft/ }).first()).toContainText('0.625');
  await panel.getByLabel('Road speed, km/h').fill('much');
  await expect(panel).toContainText('are figures greater than 0');
  await panel.getByLabel('Road speed, km/h').fill('60');
  await expect(panel.getByRole('table', { name: 'Orders on the road' })).toContainText('32 with 28 teeth');
  await gears.getByRole('button', { name: 'N', exact: true }).click();
  await expect(panel).toContainText('N: no drive. Nothing holds Main shaft.');
  await expect(page.getByTestId('power')).toHaveCount(0);
  await gears.getByRole('button', { name: '3', exact: true }).click();
  await page.getByTestId('suspects').getByRole('button', { name: '3rd needles' }).click();
  await expect(page.getByRole('complementary', { name: 'Ticket of 3rd needles' })).toBeVisible();
});
