import type { Page } from '@playwright/test';
import { alive, expect } from './fixtures';

/** Opens one photograph of a job with all its room. */
export async function openPhotograph(page: Page, peg: number, file: string): Promise<void> {
  await page.goto(`/jobs/${peg}?photographs=all`);
  await alive(page);
  await page.getByRole('button', { name: `Open ${file}` }).click();
  await expect(page.getByTestId('full-picture')).toBeVisible();
}

export const toTool = (page: Page, name: string) =>
  page.getByRole('group', { name: 'What to do with it' }).getByRole('button', { name, exact: true }).click();

/** One stroke over the open picture, through places given as shares of its pane. */
export async function drawOn(page: Page, places: readonly (readonly [number, number])[]): Promise<void> {
  const pane = page.getByTestId('pane').first();
  await pane.scrollIntoViewIfNeeded();
  const box = await pane.boundingBox();
  if (!box) throw new Error('no picture to draw on');
  const at = ([x, y]: readonly [number, number]) => [box.x + x * box.width, box.y + y * box.height] as const;
  await page.mouse.move(...at(places[0]!));
  await page.mouse.down();
  for (const place of places.slice(1)) await page.mouse.move(...at(place), { steps: 4 });
  await page.mouse.up();
}
