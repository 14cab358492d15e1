import type { Page } from '@playwright/test';
import { alive, enter, everythingStored, expect, test } from './fixtures';

/** The flank's corners in the demonstration's painted pictures, as shares, as their renderer was told. */
const FLANK = [
  [0.16, 0.7],
  [0.86, 0.64],
  [0.82, 0.33],
  [0.18, 0.37],
] as const;
const NAMES = ['toe, root', 'heel, root', 'heel, top', 'toe, top'] as const;

async function dragCorners(page: Page): Promise<void> {
  const picture = page.getByTestId('measure-picture').locator('img');
  for (const [index, [across, down]] of FLANK.entries()) {
    const grip = page.getByRole('button', { name: new RegExp(`^${NAMES[index]}`) });
    await grip.scrollIntoViewIfNeeded();
    const [from, box] = [await grip.locator('circle').last().boundingBox(), await picture.boundingBox()];
    if (!from || !box) throw new Error('no picture to drag on');
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + across * box.width, box.y + down * box.height, { steps: 4 });
    await page.mouse.up();
  }
}

async function measure(page: Page, file: string, kind: string): Promise<void> {
  await page.getByRole('button', { name: `Show ${file} large` }).click();
  await page.getByRole('button', { name: 'Measure in it' }).click();
  await page.getByRole('button', { name: kind }).click();
  await dragCorners(page);
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  await expect(page.getByTestId('measured')).toBeVisible();
}

test('a contact pattern is read in the page’s worker, kept, and both flanks together say what to move', async ({
  page,
}) => {
  await enter(page, 'inspector', '/jobs/412?part=ring-gear&face=picture');
  await alive(page);
  await measure(page, 'pattern-drive.jpg', 'pattern on drive');
  // By the renderer's formula the patch has its middle at 0.58 and 0.62 and covers π · 0.25 · 0.27 = 0.21 of the flank, or a little more.
  const told = await page.getByTestId('measured').innerText();
  const [, coverage, length, height] =
    /: (\d+) % of the flank; middle (\d+) % from the toe and (\d+) %/.exec(told) ?? [];
  expect(Math.abs(Number(coverage) - 21.5)).toBeLessThanOrEqual(5);
  expect(Math.abs(Number(length) - 58)).toBeLessThanOrEqual(4);
  expect(Math.abs(Number(height) - 62)).toBeLessThanOrEqual(4);
  expect(await page.getByTestId('taken').locator('polygon').count()).toBeGreaterThan(10);
  await page.getByRole('button', { name: /^Keep it/ }).click();
  await page.getByRole('button', { name: 'Small again' }).click();
  await measure(page, 'pattern-coast.jpg', 'pattern on coast');
  await page.getByRole('button', { name: /^Keep it/ }).click();
  await expect(page.getByTestId('pattern-advice')).toContainText('toward the ring');
  await expect(page.getByTestId('pattern-advice')).toContainText('by the default sensitivities');
  await everythingStored(page);
  await page.reload();
  await alive(page);
  await expect(page.getByTestId('pattern-advice')).toContainText('The maker’s own chart decides');
});

test('corners are moved by the keyboard too; crossed ones are refused in words and a bare picture is doubted', async ({
  page,
}) => {
  await enter(page, 'inspector', '/jobs/412?part=ring-gear&face=picture');
  await alive(page);
  await page.getByRole('button', { name: 'Show ring-gear-sound-tooth.jpg large' }).click();
  await page.getByRole('button', { name: 'Measure in it' }).click();
  const grip = page.getByRole('button', { name: /^toe, root/ });
  const before = await grip.getAttribute('aria-label');
  await grip.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(grip).not.toHaveAttribute('aria-label', before ?? '');
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  await expect(page.getByTestId('measured')).toContainText('not to be relied on');
  // The first corner carried across the second: Shift and the arrow go a hundredth of the picture.
  for (let step = 0; step < 70; step += 1) await page.keyboard.press('Shift+ArrowRight');
  await grip.focus();
  for (let step = 0; step < 70; step += 1) await page.keyboard.press('Shift+ArrowRight');
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  await expect(page.getByTestId('measure-picture').getByRole('alert')).toContainText(
    /cross or fold in|enclose no area/,
  );
});
